import { expect, test } from '../support/app.ts';

test('a closed visit becomes a file and a page by a link, under the firm’s own head; revoked, the link reads nothing', async ({
  page,
  alone,
  context,
}) => {
  const { address: at } = alone;
  const watch = (await (await fetch(`${at}/api/watch`)).json()) as { rows: { systemId: string }[] };
  await page.goto(`${at}/systems/${watch.rows[0]!.systemId}`);
  await page.getByRole('link', { name: 'Report for the owner' }).first().click();
  await expect(page.getByRole('heading', { level: 1, name: /^Report of / })).toBeVisible();

  await page.getByLabel('The firm').fill('');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('say whose report it is')).toBeVisible();
  await page.getByLabel('The firm').fill('Brackenfold <b>Care</b>');
  await page.getByLabel(/A line of its own/).fill('License 0-000');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('Kept')).toBeVisible();

  await page.getByLabel('Larger text').check();
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'PDF, US Letter' }).click(),
  ]);
  expect(file.suggestedFilename()).toMatch(/^report .*\.pdf$/);
  expect(file.url()).toContain('text=large');

  await page.getByRole('button', { name: 'Make a link' }).click();
  const url = await page.getByLabel('The link, shown this once').inputValue();
  // Whoever has it needs nothing else of the app.
  const reader = await context.newPage();
  await reader.goto(url);
  await expect(reader.getByText('Brackenfold <b>Care</b>')).toBeVisible();
  await expect(reader.getByRole('heading', { level: 1 })).toContainText(/reading/);
  await expect(reader.getByRole('heading', { name: 'What was measured' })).toBeVisible();
  await page.reload();
  await expect(page.getByText(/A link reads it since/)).toBeVisible();
  await page.getByRole('button', { name: 'Revoke it' }).click();
  await expect(page.getByText('No link reads it.')).toBeVisible();
  expect((await reader.reload())?.status()).toBe(404);
});
