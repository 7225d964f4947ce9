import type { Session, SystemDetail } from '@yarnix/core';
import type { Page } from '@playwright/test';
import {
  atRest,
  beginRunning,
  beginStop,
  enter,
  expect,
  goToStop,
  goToReading,
  startRound,
  test,
  watchedDual,
} from '../support/app.ts';
import { axe } from '../support/axe.ts';

const TAGS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];

/**
 * What is wrong with what is drawn now: everything in the day theme, and the colors again in the attic's. The page is at rest, and
 * all of it is in view and laid out: a bar at its end covers nothing, and no row is left out for being far away.
 */
async function violations(page: Page): Promise<string[]> {
  await atRest(page);
  await page.addStyleTag({ content: '* { content-visibility: visible !important; }' });
  const { width, height: usual } = page.viewportSize()!;
  const height = await page.evaluate(() => document.documentElement.scrollHeight);
  await page.setViewportSize({ width, height: Math.max(usual, height) });
  await atRest(page);
  const day = await axe(page).withTags(TAGS).analyze();
  await page.evaluate(() => document.documentElement.classList.add('attic'));
  // The themes differ in their colors and in nothing else.
  const attic = await axe(page).withRules(['color-contrast']).analyze();
  await page.evaluate(() => document.documentElement.classList.remove('attic'));
  await page.setViewportSize({ width, height: usual });
  return [day, attic].flatMap(({ violations: found }, at) =>
    found.map(({ id, nodes }) => {
      const where = nodes.map((n) => n.target.join(' ')).slice(0, 3);
      return `${id}${at === 1 ? ' in the attic theme' : ''}: ${where.join(' | ')}`;
    }),
  );
}

/** What the addresses of a screen are made of. */
interface Known {
  readonly systemId: string;
  readonly thread: string;
  readonly visitId: string;
  readonly personId: string;
}

const SCREENS: readonly [name: string, path: (known: Known) => string, heading: RegExp][] = [
  ['the Watch', () => '/watch', /may not see/],
  ['the systems', () => '/systems', /systems/],
  ['a new system', () => '/systems/new', /New system/],
  ['the week', () => '/week', /to decide/],
  ['rounds due', () => '/week?show=rounds', /due/],
  ['what is planned', () => '/week?show=accepted', /planned/],
  ['a van', ({ personId }) => `/week/vans/${personId}/2026-12-01`, /to load/],
  ['the days', () => '/week/days', /addresses/],
  ['one’s own day', () => '/day', /addresses? today/],
  ['how days are planned', () => '/settings/planning', /How days are planned/],
  ['imports', () => '/imports', /A past from spreadsheets/],
  ['the bench', () => '/bench/superheat?psig=118&line=52', /Superheat/],
  ['the rounds', () => '/rounds', /under way/],
  ['a system', ({ systemId }) => `/systems/${systemId}`, /\d/],
  ['a system as a table', ({ systemId }) => `/systems/${systemId}?as=table`, /\d/],
  ['a thread', ({ systemId, thread }) => `/systems/${systemId}/threads/${thread}`, /Capacitance/],
  ['a plate', ({ systemId }) => `/systems/${systemId}/plate`, /Plate/],
  ['a report', ({ systemId, visitId }) => `/systems/${systemId}/visits/${visitId}/report`, /Report of/],
  ['refrigerants', () => '/refrigerants', /Refrigerants/],
  ['the settings', () => '/settings', /schools/],
  ['the interface', () => '/reference?q=readings.csv', /other programs/],
  ['what waits', () => '/waiting', /Everything has reached|Not at the office/],
  ['no page', () => '/nowhere', /no such page/],
];

for (const [name, path, heading] of SCREENS)
  test(`${name} can be read by everyone, in either theme`, async ({ page, server }) => {
    const row = await watchedDual(server.address);
    const { person } = (await (await fetch(`${server.address}/api/session`)).json()) as Session;
    const detail = (await (await fetch(`${server.address}/api/systems/${row.systemId}`)).json()) as SystemDetail;
    const visit = detail.visits.find(({ closedAt }) => closedAt !== null)!;
    const thread = `${row.componentId}/${row.kind}/${row.point}`;
    await page.goto(path({ systemId: row.systemId, thread, visitId: visit.id, personId: person.id }));
    await expect(page.getByRole('heading', { level: 1, name: heading })).toBeVisible();
    expect(await violations(page)).toEqual([]);
  });

test('no part of a round has an accessibility violation, in either theme', async ({ page, system }) => {
  test.setTimeout(300_000);
  await startRound(page, system.id);
  expect(await violations(page), 'at the door').toEqual([]);
  await goToStop(page, 'calls');
  await beginStop(page);
  expect(await violations(page), 'calls').toEqual([]);
  await beginRunning(page, '50');
  await enter(page, '900');
  expect(await violations(page), 'running, questioned').toEqual([]);
  await page.getByRole('textbox', { name: /Line volts/ }).fill('');
  await page.getByRole('button', { name: 'Listen' }).click();
  await expect(page.getByRole('button', { name: /^Take / })).toBeEnabled();
  expect(await violations(page), 'listening').toEqual([]);
  await page.getByRole('button', { name: /loose: / }).click();
  expect(await violations(page), 'loose ends').toEqual([]);
  await goToStop(page, 'off-outdoor');
  expect(await violations(page), 'power off').toEqual([]);
  await beginStop(page);
  const herm = await goToReading(page, 'off-outdoor', /Capacitance, HERM, bench/);
  await page.getByRole('button', { name: 'Put off' }).click();
  expect(await violations(page), 'put off').toEqual([]);
  await page.getByRole('button', { name: 'Not put off' }).click();
  await herm.fill('30');
  await page.getByRole('button', { name: 'Part replaced' }).click();
  expect(await violations(page), 'part replaced').toEqual([]);
  await page.goto(page.url().replace(/off-outdoor.*/, 'close'));
  await expect(page.getByRole('button', { name: 'Close the round' })).toBeVisible();
  expect(await violations(page), 'close').toEqual([]);
  await page.getByRole('link', { name: 'Show the customer' }).click();
  await expect(page.getByRole('heading', { level: 1, name: /today/ })).toBeVisible();
  expect(await violations(page), 'summary').toEqual([]);
});

test('targets are big enough for gloves', async ({ page, system }) => {
  await startRound(page, system.id);
  await beginRunning(page, '50');
  const keys = await page.getByRole('group', { name: 'Keypad' }).getByRole('button').all();
  for (const key of keys) {
    const box = await key.boundingBox();
    expect(box?.height).toBeGreaterThanOrEqual(48);
    expect(box?.width).toBeGreaterThanOrEqual(48);
  }
});
