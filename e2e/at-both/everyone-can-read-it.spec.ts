import { beginRunning, beginStop, enter, expect, goToReading, goToStop, startRound, test } from '../support/app.ts';
import { testEach, violations } from '../support/axe.ts';

// Laid out otherwise at a desk than in the hand.
testEach([
  ['the Watch', () => '/watch', /may not see/],
  ['the systems', () => '/systems', /systems/],
  ['the week', () => '/week', /to decide/],
  ['the days', () => '/week/days', /addresses/],
  ['imports', () => '/imports', /A past from spreadsheets/],
  ['the rounds', () => '/rounds', /under way/],
  ['a system', ({ systemId }) => `/systems/${systemId}`, /\d/],
  ['a system as a table', ({ systemId }) => `/systems/${systemId}?as=table`, /\d/],
  ['a thread', ({ systemId, thread }) => `/systems/${systemId}/threads/${thread}`, /Capacitance/],
  ['refrigerants', () => '/refrigerants', /Refrigerants/],
  ['the interface', () => '/reference?q=readings.csv', /other programs/],
]);

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
