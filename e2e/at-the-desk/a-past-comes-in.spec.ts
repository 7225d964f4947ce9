import { readFile } from 'node:fs/promises';
import type { SystemDetail } from '@yarnix/core';
import type { Page } from '@playwright/test';
import { HEAT_PUMP_PLATE } from '@yarnix/core/testing';
import { expect, test } from '../support/app.ts';
import { makeSystem } from '../support/system.ts';

const detailOf = async (address: string, id: string) =>
  (await (await fetch(`${address}/api/systems/${id}`)).json()) as SystemDetail;

/** An old book of one address, with mistakes of three kinds: a slipped point, a day that is none, a house that is not ours. */
const book = (address: string) => `Service Date;Address;OD temp (C);Line volts;Cap HERM (uF);Invoice;Remarks
04/14/2017;${address};20;241;40,1;A1;
10/09/2017;${address.toUpperCase()};12;240;40,1;A2;
10/11/2018;${address};11;242;401;A4;slipped point
04/31/2019;${address};21;240;40,1;A5;no such day
05/01/2019;1 Nowhere at all;30;240;40,1;A7;not ours
`;

const bring = async (page: Page, name: string, text: string) => {
  await page.goto('/imports');
  await page.getByLabel('CSV file').setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });
  await expect(page.getByRole('heading', { level: 1, name })).toBeVisible();
};

test('a past comes in from an old book: its columns are named, three kinds of mistakes are told, and it is taken back', async ({
  page,
  server,
}) => {
  const { id: systemId, address } = await makeSystem(
    server.address,
    'split-heat-pump',
    HEAT_PUMP_PLATE,
    '14 Oldbook Yard',
    '2012-05-01',
  );
  const before = await detailOf(server.address, systemId);
  const name = 'book.csv';
  await bring(page, name, book(address));

  // Its columns are made out; what nobody reads stays out, and what is wrong is put right.
  await expect(page.getByLabel('Cap HERM (uF)', { exact: true })).toHaveValue('measure capacitor-herm');
  await expect(page.getByLabel('Unit of OD temp (C)')).toHaveValue('°C');
  await expect(page.getByLabel('Invoice', { exact: true })).toHaveValue('nothing');
  await expect(page.getByLabel('Numbers')).toHaveValue(',');
  await page.getByLabel('Service Date', { exact: true }).selectOption('leave it out');
  await expect(page.getByText('Say which column is the date of the visit.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Check every row' })).toBeDisabled();
  await page.getByLabel('Service Date', { exact: true }).selectOption('date of the visit');
  await page.getByLabel('Keep this for the next such file, as').fill(`Old book ${name}`);
  await page.getByRole('button', { name: 'Check every row' }).click();

  const rows = page.getByRole('region', { name: 'Rows' });
  await expect(rows.getByRole('button', { name: /^2 come in/ })).toBeVisible({ timeout: 20_000 });
  await expect(rows.getByRole('listitem')).toHaveCount(1);
  await expect(rows.getByText(/Did you mean/)).toBeVisible();
  await rows.getByRole('button', { name: /^2 cannot come in/ }).click();
  await expect(rows.getByText('“04/31/2019” is no day of the calendar.')).toBeVisible();
  await expect(rows.getByText(/No system has this address/)).toBeVisible();
  expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);

  // Nothing is chosen but what is in order; one of these is left out.
  await rows.getByRole('button', { name: /^2 come in/ }).click();
  const third = rows.getByRole('checkbox', { name: 'Row 3 comes in' });
  await third.click();
  // It is drawn in the next frame: asked for at once, as by uncheck, it may still be as it was.
  await expect(third).not.toBeChecked();
  await page.getByRole('button', { name: 'Have 1 row come in' }).click();
  await expect(page.getByText('2 readings came in')).toBeVisible({ timeout: 30_000 });
  const after = await detailOf(server.address, systemId);
  expect(after.visits.length).toBe(before.visits.length + 1);
  expect(
    after.readings
      .filter((r) => r.takenAt.startsWith('2017'))
      .map((r) => r.kind)
      .sort(),
  ).toEqual(['line-volts', 'run-capacitor-capacitance']);

  await page.getByRole('button', { name: 'Take all of it back' }).click();
  await page.getByRole('button', { name: 'Take 2 readings back' }).click();
  await expect(page.getByText('taken back; nothing of it is left')).toBeVisible({ timeout: 30_000 });
  const again = await detailOf(server.address, systemId);
  expect([again.readings.length, again.visits.length]).toEqual([before.readings.length, before.visits.length]);

  // The next file of the kind is known by its columns.
  await bring(
    page,
    `next-${name}`,
    'Service Date;Address;OD temp (C);Line volts;Cap HERM (uF);Invoice;Remarks\n1.2.2019;x;1;240;40;;\n',
  );
  await expect(page.getByLabel('Keep this for the next such file, as')).toHaveValue(`Old book ${name}`);
  await page.getByRole('button', { name: 'Forget this file' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'A past from spreadsheets' })).toBeVisible();
  await expect(page.getByRole('link', { name: new RegExp(`^next-${name}`) })).toHaveCount(0);
});

test('a file that is no sheet says so, and nothing of it is kept', async ({ page }) => {
  await page.goto('/imports');
  await page
    .getByLabel('CSV file')
    .setInputFiles({ name: 'book.xlsx', mimeType: 'application/zip', buffer: Buffer.from('PK\u0003\u0004 and so on') });
  await expect(page.getByRole('alert')).toContainText('Save the sheet as CSV');
});

test('all of the firm is taken along as a file; where it is already, reading it back is refused in words', async ({
  page,
}) => {
  await page.goto('/imports');
  const coming = page.waitForEvent('download');
  await page.getByRole('link', { name: 'With photos, ZIP' }).click();
  const file = await (await coming).path();
  await page
    .getByLabel('Read a firm’s file back')
    .setInputFiles({ name: 'firm.zip', mimeType: 'application/zip', buffer: await readFile(file) });
  await expect(page.getByRole('alert')).toContainText('is here already', { timeout: 60_000 });
  await page
    .getByLabel('Read a firm’s file back')
    .setInputFiles({ name: 'firm.json', mimeType: 'application/json', buffer: Buffer.from('{}') });
  await expect(page.getByRole('alert')).toContainText('It is no file of a firm');
});
