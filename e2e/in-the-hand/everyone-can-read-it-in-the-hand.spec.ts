import { beginRunning, expect, startRound, test } from '../support/app.ts';
import { testEach } from '../support/axe.ts';

// One column at any size: looked at where there is the least room.
testEach([
  ['a new system', () => '/systems/new', /New system/],
  ['rounds due', () => '/week?show=rounds', /due/],
  ['what is planned', () => '/week?show=accepted', /planned/],
  ['a van', ({ personId }) => `/week/vans/${personId}/2026-12-01`, /to load/],
  ['one’s own day', () => '/day', /addresses? today/],
  ['how days are planned', () => '/settings/planning', /How days are planned/],
  ['the bench', () => '/bench/superheat?psig=118&line=52', /Superheat/],
  ['a plate', ({ systemId }) => `/systems/${systemId}/plate`, /Plate/],
  ['a report', ({ systemId, visitId }) => `/systems/${systemId}/visits/${visitId}/report`, /Report of/],
  ['the settings', () => '/settings', /schools/],
  ['what waits', () => '/waiting', /Everything has reached|Not at the office/],
  ['no page', () => '/nowhere', /no such page/],
]);

test('targets are big enough for gloves', async ({ page, system }) => {
  await startRound(page, system.id);
  await beginRunning(page, '50');
  const keys = await page.getByRole('group', { name: 'Keypad' }).getByRole('button').all();
  expect(keys.length).toBeGreaterThan(10);
  for (const key of keys) {
    const box = await key.boundingBox();
    expect(box?.height).toBeGreaterThanOrEqual(48);
    expect(box?.width).toBeGreaterThanOrEqual(48);
  }
});
