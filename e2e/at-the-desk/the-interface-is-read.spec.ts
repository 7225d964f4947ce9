import { expect, test } from '../support/app.ts';

test('whoever connects another program finds an operation, and what it takes and gives', async ({ page }) => {
  await page.goto('/settings');
  await page.getByRole('link', { name: 'For other programs' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'For other programs' })).toBeVisible();
  await page.getByLabel('Look for').fill('note a job');
  const systems = page.getByRole('region', { name: 'systems' });
  await expect(page.getByRole('listitem')).toHaveCount(1);
  await systems.getByText('Note a job by hand').click();
  await expect(systems.getByText('Needs the permission to record.')).toBeVisible();
  await expect(systems.getByLabel('Body, application/json')).toContainText('"byWhen"');
  // What is long scrolls in its own frame, and never the page.
  expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
  await page.getByLabel('Look for').fill('no such thing');
  await expect(page.getByText('Nothing of that is here.')).toBeVisible();
});
