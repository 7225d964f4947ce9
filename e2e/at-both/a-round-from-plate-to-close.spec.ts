import type { Page } from '@playwright/test';
import { allSent, closeRound, expect, isPhone, startRound, test, type Season } from '../support/app.ts';
import { walkRound } from '../support/walk.ts';

interface Journey {
  readonly kind: string;
  readonly season: Season;
  readonly stops: readonly string[];
  /** Plate figures as they are typed into the form, by label. */
  readonly plate: Readonly<Record<string, string>>;
  readonly choices?: Readonly<Record<string, string>>;
}

const OUTDOOR = {
  'Dual, or the compressor’s single': '40+5 µF 440 V',
  'Compressor RLA': '17.2',
  'Outdoor fan FLA': '1.2',
  'Nominal cooling': '3',
  Refrigerant: 'R-410A',
  'Target subcooling': '10',
};
const BLOWER = { 'Blower FLA': '4.1' };
const STRIPS = { 'Rated power': '10', At: '240', Elements: '2', Circuits: '1' };
const SENSORS = { 'Sensor at 77 °F': '10000', 'Sensor beta': '3435' };
const VALVE = { 'Metering device': 'Expansion valve', 'Blower motor': 'PSC' };
const DEFROST = { 'Ends at': '70', Interval: '60' };

/** One at each size, in kinds and seasons that have different stops; every kind in either season is walked by the server's tests. */
const JOURNEYS: Readonly<Record<'wide' | 'phone', Journey>> = {
  wide: {
    kind: 'gas furnace with coil',
    season: 'heating',
    stops: ['arrive', 'look', 'calls', 'gas-heat', 'off-indoor', 'off-outdoor', 'restart'],
    plate: { ...OUTDOOR, ...BLOWER, 'Rise from': '35', 'Rise to': '65' },
    choices: VALVE,
  },
  phone: {
    kind: 'split heat pump',
    season: 'heating',
    stops: ['arrive', 'look', 'calls', 'electric-heat', 'heating', 'defrost', 'off-outdoor', 'off-indoor', 'restart'],
    plate: { ...OUTDOOR, ...BLOWER, ...STRIPS, ...SENSORS, ...DEFROST },
    choices: { ...VALVE, 'Defrost control': 'Demand' },
  },
};

async function enterPlate(page: Page, journey: Journey): Promise<string> {
  await page.goto('/systems/new');
  await page.getByLabel('Customer').fill('Larkspire');
  await page.getByLabel('Address').fill(`${journey.season} ${journey.kind}, ${Date.now()} Probe Row`);
  await page.getByLabel('Kind').selectOption({ label: journey.kind });
  for (const [label, text] of Object.entries(journey.plate)) await page.getByLabel(label, { exact: true }).fill(text);
  for (const [label, option] of Object.entries(journey.choices ?? {})) {
    await page.getByLabel(label, { exact: true }).selectOption({ label: option });
  }
  await page.getByRole('button', { name: 'Enter the system' }).click();
  await expect(page.getByRole('heading', { level: 1, name: /Probe Row/ })).toBeVisible();
  return /systems\/([\w-]+)/.exec(page.url())?.[1] ?? '';
}

interface Detail {
  visits: { closedAt: string | null }[];
  readings: { kind: string; standing?: string; probes: Record<string, { samples: number }> | null }[];
  followUps: unknown[];
  looseEnds: { putBackAt: string | null }[];
}

test('from a plate to the closed round, on probes, with nothing left out', async ({ page, server }) => {
  test.setTimeout(300_000);
  const journey = JOURNEYS[isPhone(page) ? 'phone' : 'wide'];
  const systemId = await enterPlate(page, journey);
  await startRound(page, systemId, journey.season);
  const walked = await walkRound(page, journey.season === 'cooling' ? '84' : '42');
  expect(walked).toEqual(journey.stops);

  // Nothing was left out: there is nothing to put off.
  await expect(page.getByRole('heading', { level: 1, name: /to tell|Nothing changed/ })).toBeVisible();
  await expect(page.getByRole('heading', { name: /not taken/ })).toHaveCount(0);
  await page.getByRole('link', { name: 'Show the customer' }).click();
  await expect(page.getByRole('heading', { level: 1, name: /readings on \d+ parts today/ })).toBeVisible();
  await page.getByRole('link', { name: 'Back to the close' }).click();
  await closeRound(page);
  await expect(page.getByRole('heading', { level: 1, name: /Probe Row/ })).toBeVisible();
  await allSent(page);

  const atTheOffice = async () => (await (await fetch(`${server.address}/api/systems/${systemId}`)).json()) as Detail;
  // The close is written on the device first, and sent a moment later.
  await expect.poll(async () => (await atTheOffice()).visits[0]?.closedAt ?? null).not.toBeNull();
  const detail = await atTheOffice();
  expect(detail.followUps).toEqual([]);
  expect(detail.looseEnds.length).toBeGreaterThan(0);
  expect(detail.looseEnds.every((end) => end.putBackAt !== null)).toBe(true);
  // What came from a probe says what it was taken from.
  const probed = detail.readings.filter((r) => r.probes !== null);
  expect(probed.length).toBeGreaterThanOrEqual(3);
  expect(probed.every((r) => Object.values(r.probes ?? {}).every((w) => w.samples >= 10))).toBe(true);
});
