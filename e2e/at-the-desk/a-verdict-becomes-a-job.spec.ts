import type { Job, Plate } from '@yarnix/core';
import { randomUUID } from 'node:crypto';
import { v7 } from 'uuid';
import { expect, isPhone, startRound, test } from '../support/app.ts';
import { enterSystem } from '../support/system.ts';

const PLATE: Plate = { tons: 3, blowerMotor: 'psc', capacitorRating: '40+5 µF 440 V' };

const WEAK = { microfarads: 35, takenAt: '2026-11-24T15:00:00.000Z' };

const put = async (at: string, path: string, body: object): Promise<unknown> => {
  const reply = await fetch(`${at}${path}`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  if (!reply.ok) throw new Error(`${path}: ${reply.status} ${await reply.text()}`);
  return reply.json();
};

const capacitorOf = async (at: string, systemId: string): Promise<string> => {
  const system = (await (await fetch(`${at}/api/systems/${systemId}`)).json()) as {
    components: { id: string; slot: string; removedOn: string | null }[];
  };
  return system.components.find(({ slot, removedOn }) => slot === 'run-capacitor' && removedOn === null)?.id ?? '';
};

/** A capacitor of a system, read on a visit of its own; a new one, where it is fitted first. */
async function readCapacitor(
  at: string,
  systemId: string,
  { microfarads, takenAt, fitted = false }: { microfarads: number; takenAt: string; fitted?: boolean },
): Promise<string> {
  const visitId = randomUUID();
  const before = (minutes: number) => new Date(Date.parse(takenAt) - minutes * 60_000);
  await put(at, `/api/visits/${visitId}`, { systemId, startedAt: before(10).toISOString(), season: 'fall' });
  if (fitted)
    await put(at, `/api/components/${v7({ msecs: before(1).getTime() })}`, {
      replaces: await capacitorOf(at, systemId),
      fittedOn: takenAt.slice(0, 10),
      plate: { rating: '40+5 µF 440 V' },
      reason: 'HERM weak',
      visitId,
    });
  await put(at, `/api/readings/${randomUUID()}`, {
    visitId,
    componentId: await capacitorOf(at, systemId),
    kind: 'run-capacitor-capacitance',
    point: 'herm',
    method: 'bench',
    inputs: { microfarads },
    confirmed: true,
    takenAt,
  });
  return visitId;
}

test('a verdict becomes a job, is planned for a Tuesday and a person, goes by the reading that settles it, and is told to the owner', async ({
  page,
  alone,
}) => {
  const { address: at } = alone;
  const systemId = await enterSystem(at, 'split-heat-pump', PLATE, '3 Bobbin Hill');
  await readCapacitor(at, systemId, WEAK);

  // It is there by itself, with its reason, its part and what proves it done.
  await page.goto(`${at}/week`);
  const visit = page.getByRole('region', { name: '3 Bobbin Hill' });
  await expect(visit.getByRole('heading', { name: 'Fit a new run capacitor, 40+5 µF 440 V' })).toBeVisible();
  await expect(visit.getByText(/35\.0\sµF, 1\d\s% under 40/)).toBeVisible();
  await expect(
    visit.getByText(/20 minutes\. Done when: Run capacitor capacitance, HERM, read sound again/),
  ).toBeVisible();
  await visit.getByRole('button', { name: /^Decide:/ }).click();
  await page.getByLabel('On', { exact: true }).fill('2026-12-01');
  await page.getByLabel('By', { exact: true }).selectOption({ label: 'Bram Tolquist' });
  await page.getByRole('button', { name: 'Plan it' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'Planned' })).toContainText('Fit a new run capacitor');
  await expect(visit).toHaveCount(0);

  await page.getByRole('button', { name: /^Planned/ }).click();
  const day = page.getByRole('region', { name: '2026-12-01' });
  await expect(day.getByRole('heading', { level: 2 })).toContainText('20 min at machines');
  await expect(day).toContainText('Bram Tolquist');
  await expect(day.getByText('Planned for December 1, 2026, Bram Tolquist')).toBeVisible();

  // What it fits is a line of Bram's load list, until it is aboard.
  await day.getByRole('link', { name: 'What to load' }).click();
  await expect(page.getByRole('heading', { level: 1, name: '1 part to load' })).toBeVisible();
  await expect(page.getByText('planned at 3 Bobbin Hill')).toBeVisible();
  await page.getByLabel('Another part, as its label says').fill('40/5 mfd 440');
  await page.getByRole('button', { name: 'One is aboard' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'All of it is aboard' })).toBeVisible();
  await page.getByRole('button', { name: 'One 40+5 µF 440 V less' }).click();
  await expect(page.getByRole('heading', { level: 1, name: '1 part to load' })).toBeVisible();
  await page.getByRole('link', { name: 'Back to the plan' }).click();

  // Bram's own calendar has it by a secret link, until that is revoked.
  const calendars = page.getByRole('region', { name: 'In other calendars' });
  await calendars.getByRole('button', { name: 'Make Bram Tolquist’s link' }).click();
  const link = await calendars.getByLabel('Bram Tolquist’s calendar link').inputValue();
  const calendar = async () => {
    const reply = await fetch(link);
    return reply.ok ? (await reply.text()).replaceAll('\r\n ', '') : String(reply.status);
  };
  expect(await calendar()).toContain('SUMMARY:3 Bobbin Hill: Fit a new run capacitor');
  expect(await calendar()).toContain('DTSTART;VALUE=DATE:20261201');
  await calendars.getByRole('button', { name: 'Revoke Bram Tolquist’s link' }).click();
  await expect(calendars.getByLabel('Bram Tolquist’s calendar link')).toHaveCount(0);
  expect(await calendar()).toBe('404');

  // The new part settles it, and nobody ticks anything off.
  const repaired = { microfarads: 40.3, takenAt: '2026-11-25T14:00:00.000Z', fitted: true };
  const visitId = await readCapacitor(at, systemId, repaired);
  await page.reload();
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await expect(page.getByRole('region', { name: '3 Bobbin Hill' })).toHaveCount(0);

  // The owner reads what was done, with what was measured before and after it.
  await put(at, `/api/visits/${visitId}/closing`, { closedAt: '2026-11-25T14:30:00.000Z' });
  await page.goto(`${at}/systems/${systemId}`);
  await page.getByRole('link', { name: 'Report for the owner' }).first().click();
  await page.getByRole('button', { name: 'Make a link' }).click();
  await page.goto(await page.getByLabel('The link, shown this once').inputValue());
  await expect(page.getByRole('heading', { name: 'Before and after' })).toBeVisible();
  await expect(page.getByText('New run capacitor: proved')).toBeVisible();
  await expect(page.getByText(/Capacitance, HERM: 35\.0.µF before, 40\.3.µF after/)).toBeVisible();
});

test('a round that is due is planned, and is gone once it is made', async ({ page, alone }) => {
  const { address: at } = alone;
  const systemId = await enterSystem(at, 'split-heat-pump', PLATE, '7 Bobbin Hill');
  await page.goto(`${at}/week`);
  await page.getByRole('button', { name: /^Rounds due/ }).click();
  await expect(page.getByRole('heading', { level: 1, name: /rounds? (is|are) due/ })).toBeVisible();
  const visit = page.getByRole('region', { name: '7 Bobbin Hill' });
  await expect(visit.getByText('No round yet. Nothing is known to fray.')).toBeVisible();
  await visit.getByRole('button', { name: /^Decide:/ }).click();
  await page.getByLabel('On', { exact: true }).fill('2026-12-02');
  await page.getByRole('button', { name: 'Plan it' }).click();
  await expect(visit).toHaveCount(0);
  await page.getByRole('button', { name: /^Planned/ }).click();
  await expect(page.getByRole('region', { name: '2026-12-02' })).toContainText('Go its round');

  // It was planned by the server's clock, and is made after that.
  const { now: startedAt } = (await (await fetch(`${at}/api/session`)).json()) as { now: string };
  await put(at, `/api/visits/${randomUUID()}`, { systemId, startedAt, season: 'fall' });
  await page.reload();
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await expect(visit).toHaveCount(0);
});

test('a repair the owner declines says why, stays in sight at the system, and can be taken back', async ({
  page,
  alone,
}) => {
  const { address: at } = alone;
  const systemId = await enterSystem(at, 'split-heat-pump', PLATE, '5 Bobbin Hill');
  await readCapacitor(at, systemId, WEAK);
  await page.goto(`${at}/systems/${systemId}`);
  const todo = page.getByRole('region', { name: 'To do' });
  await todo.getByRole('button', { name: /^Decide:/ }).click();
  await page.getByRole('button', { name: 'The owner declines' }).click();
  await expect(page.getByText('Say why it was declined.')).toBeVisible();
  await page.getByLabel('Note, or why it is declined').fill('Sells the house in spring');
  await page.getByRole('button', { name: 'The owner declines' }).click();
  await expect(todo.getByText('Declined: Sells the house in spring (Ottoline Vessick)')).toBeVisible();
  await startRound(page, systemId, 'heating', at);
  await expect(page.getByRole('region', { name: 'To do here' })).toContainText(
    'Declined by the owner: Sells the house in spring. Say it again.',
  );
  await page.goto(`${at}/systems/${systemId}`);
  await todo.getByRole('button', { name: /^Decide:/ }).click();
  await page.getByRole('button', { name: 'Undecided again' }).click();
  await expect(todo.getByText(/^Declined: /)).toHaveCount(0);
  await todo.getByRole('button', { name: 'Take it back' }).click();
  await expect(todo.getByText(/^Declined: /)).toHaveCount(1);
  await todo.getByRole('button', { name: /^Decide:/ }).click();
  await page.getByRole('button', { name: 'Undecided again' }).click();
  await expect(todo.getByText(/^Declined: /)).toHaveCount(0);

  // Somebody else has decided meanwhile: that stands, and it is said.
  await todo.getByRole('button', { name: /^Decide:/ }).click();
  const { jobs } = (await (await fetch(`${at}/api/jobs?systemId=${systemId}`)).json()) as { jobs: Job[] };
  const { key, version } = jobs[0]!;
  await put(at, `/api/jobs/${key}`, { decision: 'accepted', note: '', day: '2026-12-03', personId: null, version });
  await page.getByRole('button', { name: 'Plan it' }).click();
  await expect(todo.getByRole('alert')).toContainText('decided this meanwhile. Look again.');
  await expect(todo.getByText('Planned for December 3, 2026')).toBeVisible();
});

test('something noted by hand is asked in full, kept, and done when somebody says so', async ({ page, alone }) => {
  const { address: at } = alone;
  const systemId = await enterSystem(at, 'split-heat-pump', PLATE, '7 Bobbin Hill');
  await page.goto(`${at}/systems/${systemId}`);
  const todo = page.getByRole('region', { name: 'To do' });
  await expect(todo.getByText('Nothing: no part, call or reading asks for a visit.')).toBeVisible();
  await todo.getByRole('button', { name: 'Note something to do' }).click();
  await todo.getByLabel('Takes').fill('soon');
  await todo.getByRole('button', { name: 'Keep it' }).click();
  await expect(todo.getByText('say what is to do')).toBeVisible();
  await todo.getByLabel('What is to do').fill('=Bring the long ladder back');
  await todo.getByLabel('Takes').fill('10');
  await todo.getByRole('button', { name: 'Keep it' }).click();
  await expect(todo.getByRole('heading', { name: '=Bring the long ladder back' })).toBeVisible();
  await todo.getByRole('button', { name: /^Decide:/ }).click();
  await todo.getByRole('button', { name: 'It is done' }).click();
  await expect(todo.getByRole('heading', { name: /ladder/ })).toHaveCount(0);
  await page.goto(`${at}/week?show=done`);
  await expect(page.getByRole('heading', { name: /long ladder/ })).toBeVisible();
  if (isPhone(page)) expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
});
