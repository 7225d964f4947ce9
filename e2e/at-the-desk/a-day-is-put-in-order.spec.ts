import type { Page } from '@playwright/test';
import type { PlannedStop, Week } from '@yarnix/core';
import { atRest, expect, isPhone, keptHere, test } from '../support/app.ts';

// Where it is eight in the morning when the journeys begin.
test.use({ timezoneId: 'Etc/GMT+7' });

const DAY = '2026-11-25';
const week = async (at: string): Promise<Week> =>
  (await (await fetch(`${at}/api/week?from=2026-11-23&days=7`)).json()) as Week;
const idsOf = ({ stops }: Week, personId: string, day = DAY) =>
  stops.filter((s) => s.personId === personId && s.day === day).map(({ systemId }) => systemId);
const strand = (page: Page, name: string) => page.getByRole('region', { name });
const grip = (page: Page, { address }: PlannedStop) => page.getByRole('button', { name: `Move ${address}` });

/** Takes a card by its grip and lets go of it on something else. */
async function drag(page: Page, from: ReturnType<typeof grip>, onto: ReturnType<Page['locator']>): Promise<void> {
  await from.scrollIntoViewIfNeeded();
  const start = await from.boundingBox();
  const end = await onto.boundingBox();
  if (!start || !end) throw new Error('it is not drawn');
  const middle = (box: typeof start) => [box.x + box.width / 2, box.y + Math.min(box.height / 2, 30)] as const;
  await page.mouse.move(...middle(start));
  await page.mouse.down();
  await page.mouse.move(middle(start)[0] + 12, middle(start)[1] + 12, { steps: 4 });
  await page.mouse.move(...middle(end), { steps: 12 });
  await page.mouse.up();
}

test('a day is made shorter, a card goes to another person and back, and two who move it do not overwrite each other', async ({
  page,
  alone,
}) => {
  const { address: at } = alone;
  await page.goto(`${at}/week/days`);
  await expect(page.getByRole('heading', { level: 1, name: /November 25, 2026: \d+ addresses, 2 out/ })).toBeVisible();
  const before = await week(at);
  const [bram, ottoline] = ['Bram Tolquist', 'Ottoline Vessick'].map((n) =>
    before.people.find(({ name }) => name === n)!,
  );
  const own = strand(page, 'Ottoline Vessick');

  // The order that drives least, in one touch.
  const better = own.getByRole('button', { name: /^(Shorter way|Better order)/ });
  const saying = await own.getByText(/at machines/).innerText();
  await better.click();
  await expect(better).toHaveCount(0);
  await expect(own.getByText(/at machines/)).not.toHaveText(saying);
  const shorter = await week(at);
  expect(idsOf(shorter, ottoline!.id)).not.toEqual(idsOf(before, ottoline!.id));
  expect(idsOf(shorter, ottoline!.id).sort()).toEqual(idsOf(before, ottoline!.id).sort());

  // One of hers goes to him; by the form on a phone, by hand on a desk.
  const card = shorter.stops.find((s) => s.personId === ottoline!.id && s.day === DAY && s.window === null)!;
  if (isPhone(page)) {
    await own.getByRole('button', { name: new RegExp(`^[^M].*${card.address}`) }).click();
    await page.getByLabel('By', { exact: true }).selectOption({ label: 'Bram Tolquist' });
    await page.getByRole('button', { name: 'Keep the plan' }).click();
  } else
    await drag(
      page,
      grip(page, card),
      grip(
        page,
        shorter.stops.find((s) => s.personId === bram!.id && s.day === DAY)!,
      ),
    );
  await expect(page.getByRole('status').filter({ hasText: 'Moved' })).toContainText(card.address);
  await expect.poll(async () => idsOf(await week(at), bram!.id)).toContain(card.systemId);
  if (!isPhone(page)) expect(idsOf(await week(at), bram!.id)[0]).toBe(card.systemId);
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect.poll(async () => idsOf(await week(at), ottoline!.id)).toEqual(idsOf(shorter, ottoline!.id));
  await expect(page.getByRole('button', { name: 'Take it back' })).toHaveCount(0);

  // Somebody else moves it while it lies open here.
  await own.getByRole('button', { name: new RegExp(`^[^M].*${card.address}`) }).click();
  const now = (await week(at)).stops.find(({ systemId }) => systemId === card.systemId)!;
  const reply = await fetch(`${at}/api/week/stops/${card.systemId}`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({
      jobs: now.jobs.map(({ key, version }) => ({ key, version })),
      day: '2026-11-27',
      personId: ottoline!.id,
      before: null,
      window: null,
    }),
  });
  expect(reply.status).toBe(200);
  await page.getByLabel('Promised from').fill('08:00');
  await page.getByLabel('Promised to').fill('10:00');
  await page.getByRole('button', { name: 'Keep the plan' }).click();
  await expect(page.getByRole('alert')).toContainText('decided this meanwhile. Look again.');
  await expect.poll(async () => idsOf(await week(at), ottoline!.id, '2026-11-27')).toEqual([card.systemId]);
  await expect(own.getByText(card.address)).toHaveCount(0);
});

test('by keys alone a card is taken, moved and let go of', async ({ page, alone }) => {
  test.skip(isPhone(page), 'a phone has no keys');
  await page.goto(`${alone.address}/week/days`);
  const before = await week(alone.address);
  const own = before.stops.filter((s) => s.day === DAY && s.personId === before.people[0]!.id);
  await grip(page, own[0]!).focus();
  // Each key is answered before the next: a card that is not held yet is not moved.
  await page.keyboard.press('Space');
  await expect(page.getByText(/ is taken\.$|^It is over /)).toBeAttached();
  const elsewhere = page.getByText(new RegExp(`^It is over (?!${own[0]!.address})`));
  await atRest(page);
  await page.keyboard.press('ArrowRight');
  await expect(elsewhere).toBeAttached();
  await page.keyboard.press('Space');
  await expect
    .poll(async () => idsOf(await week(alone.address), before.people[0]!.id).indexOf(own[0]!.systemId))
    .toBeGreaterThan(0);
});

test('a call in the middle of the day says what it pushes, and goes into the day it was given to', async ({
  page,
  alone,
}) => {
  const { address: at } = alone;
  await page.goto(`${at}/week/days`);
  const before = await week(at);
  const planned = new Set(before.stops.map(({ systemId }) => systemId));
  const { systems } = (await (await fetch(`${at}/api/systems?limit=100`)).json()) as {
    systems: { id: string; address: string }[];
  };
  const system = systems.find(({ id }) => !planned.has(id))!;
  await page.getByRole('button', { name: 'A call comes in' }).click();
  await page.getByLabel('Where: address or customer').fill(system.address);
  await page.getByRole('list', { name: 'Systems found' }).getByRole('button').first().click();
  const who = page.getByRole('list', { name: 'Who goes' });
  await expect(who.getByText(/Pushes (nothing|\d+ address)/).first()).toBeVisible();
  await page.getByLabel('Takes').fill('nine');
  await expect(who.getByRole('button', { name: /Give it to Bram/ }).first()).toBeDisabled();
  await page.getByLabel('Takes').fill('45');
  await who
    .getByRole('button', { name: /Give it to Bram/ })
    .first()
    .click();
  await expect(page.getByRole('region', { name: 'A call comes in' })).toHaveCount(0);
  await expect(strand(page, 'Bram Tolquist').getByText(system.address)).toBeVisible();
  const bram = before.people.find(({ name }) => name === 'Bram Tolquist')!;
  expect(idsOf(await week(at), bram.id)).toContain(system.id);
});

test.describe('kept on the device', () => {
  test.use({ serviceWorkers: 'allow' });

  test('a technician’s own day is on the device: without a signal it is there, and so is its next system', async ({
    page,
    context,
    alone,
  }) => {
    await page.goto(`${alone.address}/rounds`);
    await page.getByRole('link', { name: 'My day' }).click();
    const next = page.getByRole('region', { name: 'Next' });
    await expect(next.getByRole('heading')).toBeVisible();
    const address = await next.getByRole('heading').innerText();
    await expect(page.getByRole('region', { name: 'To carry' })).toBeVisible();
    await keptHere(page);
    await context.setOffline(true);
    await page.getByRole('link', { name: 'Begin here' }).click();
    await expect(page.getByRole('heading', { level: 1 })).toContainText(address);
    await page.goBack();
    await expect(next.getByRole('heading', { name: address })).toBeVisible();
    await context.setOffline(false);
  });
});

test('how days are planned is asked for in full, and a place that is none is said so', async ({ page, alone }) => {
  await page.goto(`${alone.address}/settings`);
  await page.getByRole('link', { name: 'How days are planned' }).click();
  await page.getByLabel('Where days begin and end').fill('the yard');
  await page.getByLabel('Break').fill('long');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'is no place' })).toBeVisible();
  await expect(page.getByLabel('Where days begin and end')).toHaveValue('the yard');
  await page.getByLabel('Where days begin and end').fill('40.05 N, 45.1 W');
  await page.getByLabel('Break').fill('45');
  await page.getByLabel('First frost, month-day').fill('11-01');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('Kept')).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('Where days begin and end')).toHaveValue('40.0500, -45.1000');
  await expect(page.getByLabel('First frost, month-day')).toHaveValue('11-01');
});
