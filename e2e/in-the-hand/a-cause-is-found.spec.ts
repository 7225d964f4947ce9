import { COMPLAINT_NAMES, type CircuitFaultId, type Plate, type SystemKind } from '@yarnix/core';
import type { Locator } from '@playwright/test';
import { expect, startRound, test } from '../support/app.ts';
import { violations } from '../support/axe.ts';
import { beginCall, followHunt, machineWith } from '../support/hunted.ts';
import { enterSystem } from '../support/system.ts';

const STRIPS: Plate = {
  tons: 3,
  heatKilowatts: 10,
  heatElements: 2,
  blowerMotor: 'psc',
  blowerCapacitorRating: '7.5 µF 370 V',
  capacitorRating: '40+5 µF 440 V',
  refrigerant: 'R-410A',
};

const FOUND: readonly [string, SystemKind, CircuitFaultId, string, RegExp][] = [
  ['blower never stops', 'split-heat-pump', 'blower-relay-welded', 'Blower never stops', /Proved: blower relay welded/],
  [
    'cools badly with the charge right',
    'split-air-conditioner',
    'sequencer-welded',
    'Runs, but cools badly',
    /Proved: sequencer contact welded/,
  ],
  [
    'nothing runs with a blown fuse',
    'split-air-conditioner',
    'contactor-coil-shorted',
    'Nothing runs',
    /Proved: contactor coil shorted/,
  ],
  [
    'outdoor fan dead',
    'split-air-conditioner',
    'fan-capacitor-weak',
    'Compressor runs, outdoor fan does not',
    /Proved: fan’s capacitor weak/,
  ],
  [
    'auxiliary heat weak',
    'split-heat-pump',
    'element-open',
    'Auxiliary or electric heat weak',
    /Proved: heating element 1 open/,
  ],
  [
    'compressor on a fan call',
    'split-heat-pump',
    'y-on-g',
    'Runs without being asked',
    /Proved: Y touches G in the cable/,
  ],
];

const backs = (end: Locator) =>
  end.getByRole('button', { name: /Put back|Breaker on|Disconnect in|Gauges off|Wires back/ });
const loose = (end: Locator): Promise<number> => backs(end).count();
async function putFirstBack(end: Locator, before: number): Promise<void> {
  await backs(end).first().click();
  await expect(backs(end)).toHaveCount(before - 1);
}

test.describe.configure({ mode: 'default' });

for (const [name, kind, fault, complaint, proved] of FOUND)
  test(`${name}: the tests lead to a cause that is proved`, async ({ page, server }, info) => {
    const systemId = await enterSystem(server.address, kind, STRIPS, `${name}, ${info.project.name}`);
    await beginCall(page, server.address, systemId, complaint);
    const taken = await followHunt(page, machineWith(kind, STRIPS, fault));
    expect(taken).toBeLessThan(12);
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(proved);
  });

test('an iced outdoor coil with nothing wrong ends with nothing found, and condemns no part', async ({
  page,
  server,
}, info) => {
  const plate: Plate = { ...STRIPS, defrostControl: 'time-temperature' };
  const systemId = await enterSystem(server.address, 'split-heat-pump', plate, `Iced, ${info.project.name}`);
  await beginCall(page, server.address, systemId, 'Outdoor unit iced over');
  await followHunt(page, machineWith('split-heat-pump', plate, null), 6);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/causes? left|Nothing found/);
  await page
    .getByRole('button', { name: /End the call|To the end of the call/ })
    .first()
    .click();
  const end = page.getByRole('region', { name: 'End of the call' });
  await expect(end.getByRole('radio', { name: 'Nothing found' })).toBeChecked();
  await expect(end.getByText('Cause:')).toHaveCount(0);
  for (let back = await loose(end); back > 0; back = await loose(end)) await putFirstBack(end, back);
  await end.getByRole('button', { name: 'Close the call' }).click();
  await expect(page).toHaveURL(new RegExp(`/systems/${systemId}$`));
  await page.goto(`${server.address}/find`);
  await expect(page.getByRole('link', { name: new RegExp(`Iced, ${info.project.name}.*Nothing found`) })).toBeVisible();
});

test('what would decide is asked for once more when nothing else tells, and both answers stay', async ({
  page,
  server,
}, info) => {
  const plate: Plate = { tons: 3, blowerMotor: 'psc', capacitorRating: '40+5 µF 440 V' };
  const kind = 'gas-furnace-with-coil';
  const systemId = await enterSystem(server.address, kind, plate, `Once more, ${info.project.name}`);
  await beginCall(page, server.address, systemId, COMPLAINT_NAMES['cools-weakly']);
  const machine = machineWith(kind, plate, 'board-cool-relay-dead');
  await followHunt(page, machine, 40, /^(wiring-ohms|wiring-volts|hunt-look|temperature-split|sensor-error)/);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/Proved: |causes left/);
  const called = async () => {
    const { readings } = (await (await fetch(`${server.address}/api/systems/${systemId}`)).json()) as {
      readings: { kind: string; point: string; superseded: boolean }[];
    };
    return readings.filter((r) => r.kind === 'call-check' && r.point === 'call-heating' && !r.superseded).length;
  };
  // The second look is proof on the device at once, and sent a moment later.
  await expect.poll(called).toBe(2);
});

test('a round that will not start becomes a call, keeps what was read, and ends with its outcome', async ({
  page,
  server,
}, info) => {
  const systemId = await enterSystem(
    server.address,
    'split-air-conditioner',
    STRIPS,
    `Will not start, ${info.project.name}`,
  );
  await startRound(page, systemId, 'heating', server.address);
  const visitId = /rounds\/([^/]+)/.exec(page.url())?.[1] ?? '';
  await page.goto(`${server.address}/systems/${systemId}/calls/${visitId}`);
  await page.getByRole('button', { name: 'Find the cause' }).click();
  await expect(page.getByText('Choose what it is about first.')).toBeVisible();
  await page.getByRole('button', { name: 'Blower only, nothing outdoors' }).click();
  await page.getByRole('button', { name: 'Find the cause' }).click();
  const machine = machineWith('split-air-conditioner', STRIPS, 'contactor-coil-open');
  await followHunt(page, machine);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/Proved: contactor coil open/);

  // What an apprentice types for fun is asked about in place, and nothing of the hunt is lost.
  await page.reload();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/Proved: contactor coil open/, { timeout: 30_000 });
  await page.getByRole('button', { name: 'Repaired: prove it, and look on' }).click();
  const test_ = page.getByRole('region', { name: 'Next test' });
  await expect(test_).toBeVisible({ timeout: 30_000 });
  await followHunt(page, machineWith('split-air-conditioner', STRIPS, null), 45);
  await page.getByRole('button', { name: 'To the end of the call' }).click();
  const end = page.getByRole('region', { name: 'End of the call' });
  await end.getByRole('radio', { name: 'Repaired for now' }).click();
  for (let back = await loose(end); back > 0; back = await loose(end)) await putFirstBack(end, back);
  await end.getByRole('button', { name: 'Close the call' }).click();
  await expect(end.getByText('Say by when the rest must follow.')).toBeVisible();
  await end.getByLabel('The rest must follow by').fill('2026-12-10');
  await end
    .getByLabel('What was done, what must follow, or why not')
    .fill('Coil from another contactor; a new one comes.');
  await end.getByRole('button', { name: 'Close the call' }).click();
  await expect(page).toHaveURL(new RegExp(`/systems/${systemId}$`));
  await page.goto(`${server.address}/find`);
  await expect(page.getByRole('link', { name: /Will not start.*Repaired for now: contactor coil open/ })).toBeVisible();
});

test('the hunt can be read by everyone, in both themes', async ({ page, server }) => {
  const systemId = await enterSystem(server.address, 'split-heat-pump', STRIPS, '8 Readable Rise');
  await page.goto(`${server.address}/systems/${systemId}/find`);
  const form = page.getByRole('button', { name: 'Blower never stops' });
  await expect(form).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await form.click();
  await page.getByRole('button', { name: 'Find the cause' }).click();
  await expect(page.getByRole('region', { name: 'Next test' })).toBeVisible({ timeout: 30_000 });
  expect(await violations(page)).toEqual([]);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
});
