import type { Page } from '@playwright/test';
import { closeRound, expect, startRound, test, type Season } from '../support/app.ts';
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

const JOURNEYS: readonly Journey[] = [
  {
    kind: 'split air conditioner',
    season: 'cooling',
    stops: ['arrive', 'look', 'calls', 'cooling-air', 'cooling', 'off-outdoor', 'off-indoor', 'restart'],
    plate: { ...OUTDOOR, ...BLOWER },
    choices: VALVE,
  },
  {
    kind: 'split air conditioner',
    season: 'heating',
    stops: ['arrive', 'look', 'calls', 'fan-only', 'off-indoor', 'off-outdoor', 'restart'],
    plate: { ...OUTDOOR, ...BLOWER },
    choices: VALVE,
  },
  {
    kind: 'split heat pump',
    season: 'cooling',
    stops: ['arrive', 'look', 'calls', 'cooling-air', 'cooling', 'off-outdoor', 'off-indoor', 'restart'],
    plate: { ...OUTDOOR, ...BLOWER, ...STRIPS, ...SENSORS },
    choices: { ...VALVE, 'Metering device': 'Fixed orifice' },
  },
  {
    kind: 'split heat pump',
    season: 'heating',
    stops: ['arrive', 'look', 'calls', 'electric-heat', 'heating', 'defrost', 'off-outdoor', 'off-indoor', 'restart'],
    plate: { ...OUTDOOR, ...BLOWER, ...STRIPS, ...SENSORS, ...DEFROST },
    choices: { ...VALVE, 'Defrost control': 'Demand' },
  },
  {
    kind: 'packaged heat pump',
    season: 'cooling',
    stops: ['arrive', 'look', 'calls', 'cooling', 'off-outdoor', 'restart'],
    plate: { ...OUTDOOR, ...BLOWER, ...STRIPS, ...SENSORS },
    choices: VALVE,
  },
  {
    kind: 'packaged heat pump',
    season: 'heating',
    stops: ['arrive', 'look', 'calls', 'electric-heat', 'heating', 'defrost', 'off-outdoor', 'restart'],
    plate: { ...OUTDOOR, ...BLOWER, ...STRIPS, ...DEFROST },
    choices: { ...VALVE, 'Defrost control': 'Time and temperature' },
  },
  {
    kind: 'air handler with electric heat',
    season: 'cooling',
    stops: ['arrive', 'calls', 'cooling-air', 'off-indoor', 'restart'],
    plate: { ...BLOWER, ...STRIPS, 'Nominal cooling': '3' },
    choices: { 'Blower motor': 'PSC', 'Switched by': 'Sequencer' },
  },
  {
    kind: 'air handler with electric heat',
    season: 'heating',
    stops: ['arrive', 'calls', 'electric-heat', 'off-indoor', 'restart'],
    plate: { ...BLOWER, ...STRIPS, 'Nominal cooling': '3' },
    choices: { 'Blower motor': 'PSC', 'Switched by': 'Sequencer' },
  },
  {
    kind: 'gas furnace with coil',
    season: 'cooling',
    stops: ['arrive', 'look', 'calls', 'cooling-air', 'cooling', 'off-outdoor', 'off-indoor', 'restart'],
    plate: { ...OUTDOOR, ...BLOWER, 'Rise from': '35', 'Rise to': '65' },
    choices: VALVE,
  },
  {
    kind: 'gas furnace with coil',
    season: 'heating',
    stops: ['arrive', 'look', 'calls', 'gas-heat', 'off-indoor', 'off-outdoor', 'restart'],
    plate: { ...OUTDOOR, ...BLOWER, 'Rise from': '35', 'Rise to': '65' },
    choices: VALVE,
  },
  {
    kind: 'ductless inverter heat pump',
    season: 'cooling',
    stops: ['arrive', 'look', 'calls', 'cooling-air', 'cooling', 'off-outdoor', 'restart'],
    plate: { 'Compressor RLA': '9.5', 'Nominal cooling': '2', ...SENSORS, 'Base pan heater': '120' },
  },
  {
    kind: 'ductless inverter heat pump',
    season: 'heating',
    stops: ['arrive', 'look', 'calls', 'heating', 'off-outdoor', 'restart'],
    plate: { 'Compressor RLA': '9.5', 'Nominal cooling': '2', ...SENSORS, 'Base pan heater': '120' },
  },
];

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

/** Each kind of system at both sizes, one season each: the other season's screens are made of the same parts. */
const sizeFor = (at: number): 'wide' | 'phone' => (Math.floor(at / 2) % 2 === at % 2 ? 'wide' : 'phone');

for (const [at, journey] of JOURNEYS.entries()) {
  test(`${journey.kind}, ${journey.season}: from its plate to the closed round, on probes`, async ({
    page,
    server,
  }, info) => {
    test.skip(info.project.name !== sizeFor(at), `walked ${sizeFor(at)}`);
    test.setTimeout(300_000);
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
    await expect(page.getByText('All sent').first()).toBeVisible({ timeout: 20_000 });

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
}
