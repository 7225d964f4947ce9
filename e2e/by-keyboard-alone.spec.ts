import type { Page } from '@playwright/test';
import { expect, test, watchedDual } from './support/app.ts';

/** Tabs on until the element with the focus has that name. */
async function tabTo(page: Page, name: RegExp): Promise<void> {
  for (let presses = 0; presses < 90; presses += 1) {
    const focused = await page.evaluate(() => {
      const element = document.activeElement as HTMLInputElement | null;
      const label =
        element?.labels?.[0]?.textContent ?? element?.getAttribute('aria-label') ?? element?.textContent ?? '';
      return label.trim();
    });
    if (name.test(focused)) return;
    await page.keyboard.press('Tab');
  }
  throw new Error(`${String(name)} cannot be reached with the Tab key`);
}

test('a round from start to close without touching pointer or pad', async ({ page, alone }, info) => {
  test.skip(info.project.name === 'phone', 'a phone has no keyboard; its pad is covered by the other journeys');
  const { systemId } = await watchedDual(alone.address);
  await page.goto(`${alone.address}/systems`);
  await page.keyboard.press('/');
  await expect(page.getByLabel(/Find by address/)).toBeFocused();
  await page.goto(`${alone.address}/systems/${systemId}`);
  await expect(page.getByRole('button', { name: 'Start a round' })).toBeVisible();
  await tabTo(page, /^Start a round$/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('textbox', { name: /Line volts/ })).toBeFocused();
  for (const text of ['241', '15.1', '13.2', '7.3']) {
    await page.keyboard.type(text);
    await page.keyboard.press('Enter');
  }
  await expect(page.getByRole('textbox', { name: /Outdoor fan amps/ })).toBeFocused();
  await tabTo(page, /^To the next stop$/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1, name: 'Power off' })).toBeVisible();
  await tabTo(page, /^Sound$/);
  await page.keyboard.press('Space');
  await expect(page.getByRole('radio', { name: 'Sound' })).toBeChecked();
  await tabTo(page, /Capacitance, HERM, bench/);
  await page.keyboard.type('39.5');
  await page.keyboard.press('Enter');
  await tabTo(page, /^To the close$/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Close the round' })).toBeVisible();
  await tabTo(page, /^Note for the office/);
  await page.keyboard.type('By keyboard.');
  await tabTo(page, /^Close the round$/);
  await page.keyboard.press('Enter');
  await expect(page.getByText('By keyboard.')).toBeVisible();
});
