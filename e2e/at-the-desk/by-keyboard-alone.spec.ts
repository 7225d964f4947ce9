import type { Page } from '@playwright/test';
import { expect, test } from '../support/app.ts';

/** Tabs on until the element with the focus has that name. */
async function tabTo(page: Page, name: RegExp): Promise<void> {
  for (let presses = 0; presses < 140; presses += 1) {
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

test('a round from start to close without touching pointer or pad', async ({ page, system }, info) => {
  test.skip(info.project.name === 'phone', 'a phone has no keyboard; its pad is covered by the other journeys');
  await page.goto('/systems');
  await expect(page.getByRole('heading', { level: 1, name: /systems/ })).toBeVisible();
  await page.keyboard.press('/');
  await expect(page.getByLabel(/Find by address/)).toBeFocused();
  await page.goto(`/systems/${system.id}`);
  await expect(page.getByRole('button', { name: 'Start a heating round' })).toBeVisible();
  await tabTo(page, /^Start a heating round$/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1, name: 'At the door' })).toBeVisible();
  await tabTo(page, /^Nothing, a routine visit$/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('textbox', { name: /Set point/ })).toBeFocused();
  for (const text of ['70', '69.5']) {
    await page.keyboard.type(text);
    await page.keyboard.press('Enter');
  }
  await expect(page.getByRole('heading', { level: 1, name: 'Look it over' })).toBeVisible();
  await tabTo(page, /^Outdoor air$/);
  await page.keyboard.type('52');
  await tabTo(page, /^Outdoors, power off/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1, name: 'Outdoors, power off' })).toBeVisible();
  await tabTo(page, /^Done, begin$/);
  await page.keyboard.press('Enter');
  await tabTo(page, /Capacitance, HERM, bench/);
  await page.keyboard.type('39.5');
  await page.keyboard.press('Enter');
  await tabTo(page, /^To the (next stop|close)$/);
  await tabTo(page, /^Close/);
  await page.keyboard.press('Enter');
  await tabTo(page, /^Note for the office/);
  await page.keyboard.type('By keyboard.');
  await tabTo(page, /^No time left$/);
  await page.keyboard.press('Enter');
  for (const end of [/^Breaker off/, /^Disconnect out/]) {
    await tabTo(page, end);
    await page.keyboard.press('Enter');
  }
  await tabTo(page, /^Close the round$/);
  await page.keyboard.press('Enter');
  // What was put off is still on its way to the office; what was closed here is closed here.
  await expect(page.getByRole('region', { name: 'Plate, parts and visits' }).getByText('By keyboard.')).toBeVisible();
});
