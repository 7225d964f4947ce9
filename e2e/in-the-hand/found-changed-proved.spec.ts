import type { Page } from '@playwright/test';
import {
  allSent,
  beginStop,
  closeRound,
  expect,
  goToReading,
  goToStop,
  isPhone,
  next,
  startRound,
  test,
} from '../support/app.ts';

interface Detail {
  readonly readings: readonly {
    kind: string;
    method: string;
    value: number | null;
    findings: string[];
    standing?: string;
  }[];
  readonly components: readonly { slot: string; removedOn: string | null; standing: string }[];
}

const PLATE = {
  'Dual, or the compressor’s single': '40+5 µF 440 V',
  'Compressor RLA': '17.2',
  'Outdoor fan FLA': '1.2',
  'Nominal cooling': '3',
  Refrigerant: 'R-410A',
  'Blower FLA': '4.1',
};

/** A new system, entered at the office. */
async function enterSystem(
  page: Page,
  kind: string,
  plate: Readonly<Record<string, string>>,
  choices: Readonly<Record<string, string>>,
): Promise<string> {
  await page.goto('/systems/new');
  await page.getByLabel('Customer').fill('Larkspire');
  await page.getByLabel('Address').fill(`${Date.now()} Proof Row`);
  await page.getByLabel('Kind').selectOption({ label: kind });
  for (const [label, option] of Object.entries(choices))
    await page.getByLabel(label, { exact: true }).selectOption({ label: option });
  for (const [label, text] of Object.entries(plate)) await page.getByLabel(label, { exact: true }).fill(text);
  await page.getByRole('button', { name: 'Enter the system' }).click();
  await expect(page.getByRole('heading', { level: 1, name: /Proof Row/ })).toBeVisible();
  return /systems\/([\w-]+)/.exec(page.url())?.[1] ?? '';
}

async function putIn(page: Page, fault: string): Promise<void> {
  await page.getByText('Simulated probes').click();
  await page.getByLabel(fault).check();
}

/** Takes what a probe shows at a reading. */
async function takeFromProbe(page: Page, stop: string, name: RegExp): Promise<void> {
  const field = await goToReading(page, stop, name);
  await page.getByRole('button', { name: 'Listen' }).click();
  const take = page.getByRole('button', { name: /^Take / });
  await expect(take).toBeEnabled({ timeout: 20_000 });
  await take.click();
  await expect(page.getByRole('button', { name: 'Stop listening' })).toHaveCount(0);
  await field.focus();
  await next(page);
}

/** Fits a new part in the place of the one whose reading is at hand. */
async function replaceIt(page: Page, { label, why }: { label?: string; why?: string }): Promise<void> {
  await page.getByRole('button', { name: 'Part replaced' }).click();
  if (label !== undefined) await page.getByLabel('What the new label says').fill(label);
  if (why !== undefined) await page.getByLabel('Why the old one came out').fill(why);
  await page.getByRole('button', { name: 'Fitted' }).click();
  await expect(page.getByText(/proves it|first readings/).first()).toBeVisible();
}

test('a welded strip relay is found by its amps, changed, and proved by them', async ({ page, server }) => {
  test.setTimeout(180_000);
  const systemId = await enterSystem(
    page,
    'split air conditioner',
    { ...PLATE, 'Rated power': '5', At: '240', Elements: '1' },
    { 'Switched by': 'Relay' },
  );
  const detail = async () => (await (await fetch(`${server.address}/api/systems/${systemId}`)).json()) as Detail;
  await putIn(page, 'A strip stays on in cooling');
  await startRound(page, systemId, 'cooling');

  const strips = /Electric heat amps, not called/;
  await goToStop(page, 'cooling-air');
  await beginStop(page);
  await takeFromProbe(page, 'cooling-air', strips);
  await expect
    .poll(async () => (await detail()).readings.find((r) => r.kind === 'strips-in-cooling')?.value)
    .toBeGreaterThan(15);

  await goToReading(page, 'cooling-air', strips);
  await expect(page.getByText(/Btu\/h of heat that nobody called/).first()).toBeVisible();

  // With the power off, its coil is read, and the relay is changed.
  await goToStop(page, 'off-indoor');
  await beginStop(page);
  await expect(page.getByRole('button', { name: /loose: .*Breaker off/ })).toBeVisible();
  await goToReading(page, 'off-indoor', /Heat relay coil.*Ohms$/);
  await replaceIt(page, { why: 'welded' });

  // What was wrong is owed again, and led to in the safe order.
  await goToReading(page, 'cooling-air', strips);
  await expect(page.getByText('Read it again: new electric heat relay since.', { exact: false })).toBeVisible();
  const steps = page.getByRole('list', { name: 'Steps to the proof' });
  await expect(steps).toContainText(/Panels on.*Power on.*Cooling called.*Wait 10 to 15 minutes.*Read it again/s);
  await steps.getByRole('button', { name: /Breaker off/ }).click();
  await expect(steps.getByRole('button', { name: /Breaker off/ })).toHaveCount(0);
  await takeFromProbe(page, 'cooling-air', strips);

  // The machine is started again, and all of it seen.
  await goToStop(page, 'restart');
  await beginStop(page);
  const asItShould = isPhone(page)
    ? page.locator('[data-usual]')
    : page.locator('[data-place*="restart-check"] [data-usual]');
  await asItShould.click();
  await expect
    .poll(async () => (await detail()).readings.find((r) => r.kind === 'restart-check')?.findings)
    .toEqual(['restarts-well']);

  await goToStop(page, 'close');
  await expect(page.getByText('New electric heat relay: proved')).toBeVisible();
  await closeRound(page);
  await allSent(page);
  const amps = (await detail()).readings
    .filter((r) => r.kind === 'strips-in-cooling')
    .map((r) => Math.round(r.value ?? -1));
  expect(amps).toHaveLength(2);
  expect(amps[1]).toBe(0);
});

test('a weak blower capacitor is found on the bench, changed, and proved by the new one', async ({ page, server }) => {
  test.setTimeout(180_000);
  const systemId = await enterSystem(
    page,
    'split air conditioner',
    { ...PLATE, 'Blower capacitor': '10 µF 370 V' },
    { 'Blower motor': 'PSC' },
  );
  const detail = async () => (await (await fetch(`${server.address}/api/systems/${systemId}`)).json()) as Detail;
  await putIn(page, 'Blower capacitor weak');
  await startRound(page, systemId, 'cooling');
  await goToStop(page, 'off-indoor');
  await beginStop(page);
  const bench = /Blower capacitor: .*bench/;
  await takeFromProbe(page, 'off-indoor', bench);
  await goToReading(page, 'off-indoor', bench);
  await expect(page.getByText('Act', { exact: true }).first()).toBeVisible();
  await replaceIt(page, { label: '10 µF 440 V' });
  await takeFromProbe(page, 'off-indoor', bench);
  await goToStop(page, 'close');
  await expect(page.getByText('New blower capacitor: proved')).toBeVisible();
  await expect(page.getByText(/8\.\d+\sµF before, (9|10)\.\d+\sµF after/)).toBeVisible();
  await expect
    .poll(
      async () =>
        (await detail()).components.find((c) => c.slot === 'blower-capacitor' && c.removedOn === null)?.standing,
    )
    .toBe('sound');
});

test('a warm-day check of a time-and-temperature board condemns nothing that is right to be open', async ({
  page,
  server,
}) => {
  test.setTimeout(120_000);
  const systemId = await enterSystem(
    page,
    'split heat pump',
    { ...PLATE, 'Ends at': '70', Interval: '60' },
    { 'Defrost control': 'Time and temperature' },
  );
  const detail = async () => (await (await fetch(`${server.address}/api/systems/${systemId}`)).json()) as Detail;
  await startRound(page, systemId, 'cooling');
  if (isPhone(page)) {
    await goToStop(page, 'look');
    await page.getByRole('textbox', { name: 'Outdoor air, °F' }).fill('84');
  }
  await goToStop(page, 'off-outdoor');
  if (!isPhone(page)) await page.getByLabel('Outdoor air', { exact: true }).fill('84');
  await beginStop(page);
  await expect(page.getByRole('button', { name: /loose: .*Breaker off/ })).toBeVisible();
  // Open on a coil that hangs in 84 °F: right, and nothing to do.
  await (await goToReading(page, 'off-outdoor', /Coil thermostat, ohms.*Ohms/)).fill('OL');
  await next(page);
  if (isPhone(page)) await next(page);
  await expect
    .poll(async () => (await detail()).readings.find((r) => r.kind === 'coil-thermostat-ohms')?.findings)
    .toEqual(['thermostat-open-warm']);
  const board = (await detail()).components.find((c) => c.slot === 'defrost-board');
  expect(board?.standing).not.toBe('act');
  await goToStop(page, 'close');
  await expect(page.getByText(/thermostat.*(replace|failed)/i)).toHaveCount(0);
});
