import sharp from 'sharp';
import type { Plate } from '@yarnix/core';
import { allSent, beginStop, expect, goToReading, goToStop, isPhone, startRound, test } from '../support/app.ts';
import { enterSystem } from '../support/system.ts';

const jpeg = () =>
  sharp({ create: { width: 800, height: 600, channels: 3, background: '#998877' } })
    .jpeg()
    .toBuffer();

test('a photo of the plate is kept, sent and shown as a thumbnail; a text file is refused in words', async ({
  page,
  system,
}) => {
  await page.goto(`/systems/${system.id}`);
  const picture = await jpeg();
  const chooser = page.getByText('Plate photo').locator('input');
  await chooser.setInputFiles({ name: 'plate.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('not a picture') });
  await expect(page.getByRole('alert')).toContainText('That is no picture');
  await chooser.setInputFiles({ name: 'plate.jpg', mimeType: 'image/jpeg', buffer: picture });
  await allSent(page);
  const thumb = page.getByRole('img', { name: /^plate, November 25, 2026/ }).first();
  await expect(thumb).toBeVisible();
  await thumb.scrollIntoViewIfNeeded();
  await expect.poll(() => thumb.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBe(360);
});

test('a plate read better later judges what was unproven, and says what is still open', async ({ page }) => {
  await page.goto('/systems/new');
  await expect(page.getByRole('heading', { level: 1, name: 'New system' })).toBeVisible();
  await page.getByLabel('Customer').fill('Wrenfold');
  await page.getByLabel('Address').fill(`${Date.now()} Half-Read Close`);
  await expect(page.getByText('The plate record names no refrigerant.')).toBeVisible();
  await page.getByRole('button', { name: 'Enter the system' }).click();
  await expect(page.getByRole('heading', { level: 1, name: /Half-Read Close/ })).toBeVisible();
  await page.getByRole('link', { name: 'Read better' }).click();
  await page.getByLabel('Refrigerant', { exact: true }).fill('R-410A');
  await page.getByLabel('Rated power').fill('10');
  await expect(page.getByText('The plate record names no refrigerant.')).toHaveCount(0);
  await page.getByRole('button', { name: 'Row' }).last().click();
  await page.getByLabel('Which wire was on which lug, row 1: On').fill('Contactor');
  await page.getByLabel('Which wire was on which lug, row 1: Lug').fill('T1');
  await page.getByLabel('Which wire was on which lug, row 1: Wire').fill('black, thick');
  await page.getByRole('button', { name: 'Keep the plate' }).click();
  await expect(page.getByRole('heading', { level: 3, name: 'Electric heat' })).toBeVisible();
  await expect(page.getByRole('cell', { name: 'black, thick' })).toBeVisible();
});

test('a supplier’s table with a hole is refused with row and column; put right, it is used', async ({ page }, info) => {
  const name = info.project.name === 'phone' ? 'R-438P' : 'R-438W';
  const rows = ['Temperature °F,Bubble psig,Dew psig', '0,30,20', '30,62,50', '60,110,95', '90,175,158', '120,265,246'];
  await page.goto('/refrigerants');
  await page.getByLabel('Refrigerant', { exact: true }).fill(name);
  await page.getByLabel('Where the figures come from').fill('supplier’s sheet');
  await page.getByLabel(/An estimate/).check();
  const file = page.getByLabel('CSV file');
  const broken = rows.with(3, '60,,95').join('\n');
  await file.setInputFiles({ name: 'table.csv', mimeType: 'text/csv', buffer: Buffer.from(broken) });
  await page.getByRole('button', { name: 'Load it' }).click();
  await expect(page.getByRole('alert')).toContainText('Row 4, column 2: the cell is empty.');
  await file.setInputFiles({ name: 'table.csv', mimeType: 'text/csv', buffer: Buffer.from(rows.join('\n')) });
  await page.getByRole('button', { name: 'Load it' }).click();
  await expect(page.getByRole('row', { name: new RegExp(`${name}.*estimate.*0 to 120 °F, 5 rows`) })).toBeVisible();
});

test('a manufacturer’s chart is taken from a CSV file: with columns mixed up it is refused, put right it is kept', async ({
  page,
}) => {
  await page.goto('/systems/new');
  await page.getByLabel('Customer').fill('Wrenfold');
  await page.getByLabel('Address').fill(`${Date.now()} Charted Close`);
  await page.getByRole('button', { name: 'Enter the system' }).click();
  await expect(page.getByRole('heading', { level: 1, name: /Charted Close/ })).toBeVisible();
  await page.getByRole('link', { name: 'Read better' }).click();
  const title = 'Heating chart from inside the panel';
  const file = page.getByLabel(`${title}: CSV file`);
  const give = (text: string) =>
    file.setInputFiles({ name: 'chart.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await give('Outdoor (°F),Suction (psig),Head (psig)\n47,110,280\n17,158,210\n');
  await expect(page.getByText('the suction pressure does not rise')).toBeVisible();
  await expect(page.getByLabel(`${title}, row 1: Suction psig`)).toHaveCount(0);
  await give('Outdoor (°F),Suction (psig),Head (psig)\n47,110,280\n17,58,210\n');
  await expect(page.getByLabel(`${title}, row 1: Suction psig`)).toHaveValue('58');
  await expect(page.getByLabel(`${title}, row 2: Liquid psig`)).toHaveValue('280');
  await page.getByRole('button', { name: 'Keep the plate' }).click();
  await expect(page.getByRole('heading', { level: 1, name: /Charted Close/ })).toBeVisible();
  const id = /systems\/([^/?]+)/.exec(page.url())?.[1] ?? '';
  const plate = await page.evaluate(
    async (system) => ((await (await fetch(`/api/systems/${system}`)).json()) as { plate: object }).plate,
    id,
  );
  expect(plate).toMatchObject({ heatingChart: [{ outdoorF: 17, suctionPsig: 58, liquidPsig: 210 }, { outdoorF: 47 }] });
});

test('wires are noted at the part before they come off, and held against when a new one goes in', async ({
  page,
  alone,
}) => {
  const { address: at } = alone;
  const plate = { tons: 3, capacitorRating: '40+5 µF 440 V', blowerMotor: 'psc' } as const;
  const systemId = await enterSystem(at, 'split-heat-pump', plate, '4 Bobbin Hill');
  await startRound(page, systemId, 'heating', at);
  await goToStop(page, 'off-outdoor');
  await beginStop(page);
  await goToReading(page, 'off-outdoor', /HERM/);
  const open = () =>
    page
      .getByRole('button', { name: isPhone(page) ? /^(Note its|Change the) wires$/ : 'Wires', exact: !isPhone(page) })
      .first()
      .click();
  await open();
  const form = page.getByRole('form', { name: 'Wires of the run capacitor' });
  await form.getByLabel('Wire 1, color').selectOption('red');
  await form.getByLabel('Wire 2, color').selectOption('yellow');
  await form.getByRole('button', { name: 'Another wire' }).click();
  await form.getByLabel('Wire 4, lug').selectOption('FAN');
  await form.getByLabel('Wire 4, color').selectOption('brown');
  await form.getByRole('button', { name: 'Note them' }).click();
  if (isPhone(page)) await expect(page.getByText('red on C, yellow on HERM, brown on FAN').first()).toBeVisible();
  await expect
    .poll(async () => ((await (await fetch(`${at}/api/systems/${systemId}`)).json()) as { plate: Plate }).plate.wires)
    .toEqual([
      { on: 'Run capacitor', lug: 'C', color: 'red' },
      { on: 'Run capacitor', lug: 'HERM', color: 'yellow' },
      { on: 'Run capacitor', lug: 'FAN', color: 'brown' },
    ]);
  await page.getByRole('button', { name: 'Part replaced' }).first().click();
  const back = page.getByRole('form', { name: 'Part replaced' });
  await back.getByRole('group', { name: 'yellow wire' }).getByRole('button', { name: 'FAN' }).click();
  await expect(back.getByText('yellow was on HERM, not on FAN.')).toBeVisible();
});

test('a note and a photo belong to one reading, and stand beside it on its thread', async ({ page, alone }) => {
  const { address: at } = alone;
  const plate = { tons: 3, capacitorRating: '40+5 µF 440 V', blowerMotor: 'psc' } as const;
  const systemId = await enterSystem(at, 'split-heat-pump', plate, '6 Bobbin Hill');
  await startRound(page, systemId, 'heating', at);
  await goToStop(page, 'off-outdoor');
  await beginStop(page);
  await (await goToReading(page, 'off-outdoor', /HERM/)).fill('35.2');
  await page.getByRole('textbox', { name: /HERM/ }).press('Enter');
  await goToReading(page, 'off-outdoor', /HERM/);
  await page
    .getByText('Photo of it')
    .first()
    .locator('input')
    .setInputFiles({
      name: 'meter.jpg',
      mimeType: 'image/jpeg',
      buffer: await jpeg(),
    });
  await expect(page.getByText('1 kept').first()).toBeVisible();
  await page.getByRole('button', { name: 'Note', exact: true }).first().click();
  await page.getByRole('textbox', { name: 'Note on this reading' }).fill('meter on the second try');
  await page.getByRole('button', { name: 'Note it', exact: true }).click();
  interface Kept {
    photos: { readingId: string | null }[];
    readings: { componentId: string; note: string | null }[];
  }
  const kept = async () => (await (await fetch(`${at}/api/systems/${systemId}`)).json()) as Kept;
  await expect.poll(async () => (await kept()).photos.map(({ readingId }) => readingId !== null)).toEqual([true]);
  await expect.poll(async () => (await kept()).readings.map(({ note }) => note)).toContain('meter on the second try');
  const { componentId } = (await kept()).readings[0]!;
  await page.goto(`${at}/systems/${systemId}/threads/${componentId}/run-capacitor-capacitance/herm`);
  const row = page.getByRole('row', { name: /meter on the second try/ });
  await expect(row.getByRole('img', { name: /^Photo of the reading/ })).toBeVisible();
});
