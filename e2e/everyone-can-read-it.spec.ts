import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import {
  beginRunning,
  beginStop,
  drawn,
  enter,
  expect,
  goToStop,
  goToReading,
  startRound,
  test,
  watchedDual,
} from './support/app.ts';

type Theme = 'day' | 'attic';

async function violations(page: Page, theme: Theme): Promise<string[]> {
  await drawn(page);
  await page.evaluate(() => document.fonts.ready);
  // At the end of the page the bar at the bottom covers nothing that could be scrolled clear of it.
  await page.evaluate(() => window.scrollTo(0, document.body.scrollHeight));
  const axe = new AxeBuilder({ page });
  // The themes differ in their colours and in nothing else.
  if (theme === 'attic') axe.withRules(['color-contrast']);
  else axe.withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice']);
  const { violations: found } = await axe.analyze();
  return found.map(
    (v) =>
      `${v.id}: ${v.nodes
        .map((n) => n.target.join(' '))
        .slice(0, 3)
        .join(' | ')}`,
  );
}

for (const theme of ['day', 'attic'] satisfies Theme[]) {
  test(`no screen has an accessibility violation, ${theme} theme`, async ({ page, server }) => {
    test.setTimeout(300_000);
    await page.addInitScript((t) => localStorage.setItem('yarnix-theme', t), theme);
    const row = await watchedDual(server.address);
    const screens: [string, RegExp][] = [
      ['/watch', /may not see/],
      ['/systems', /systems/],
      ['/systems/new', /New system/],
      ['/rounds', /under way/],
      [`/systems/${row.systemId}`, /\d/],
      [`/systems/${row.systemId}/threads/${row.componentId}/${row.kind}/${row.point}`, /Capacitance/],
      [`/systems/${row.systemId}/plate`, /Plate/],
      ['/refrigerants', /Refrigerants/],
      ['/waiting', /Everything has reached|Not at the office/],
      ['/nowhere', /no such page/],
    ];
    for (const [path, heading] of screens) {
      await page.goto(path);
      await expect(page.getByRole('heading', { level: 1, name: heading })).toBeVisible();
      expect(await violations(page, theme), path).toEqual([]);
    }
  });

  test(`no part of a round has an accessibility violation, ${theme} theme`, async ({ page, server }) => {
    test.setTimeout(300_000);
    await page.addInitScript((t) => localStorage.setItem('yarnix-theme', t), theme);
    // Each theme a round of its own: what one has taken the other could no longer put off.
    const row = await watchedDual(server.address, theme === 'day' ? 0 : 1);
    await startRound(page, row.systemId);
    expect(await violations(page, theme), 'at the door').toEqual([]);
    await goToStop(page, 'calls');
    await beginStop(page);
    expect(await violations(page, theme), 'calls').toEqual([]);
    await beginRunning(page, '50');
    await enter(page, '900');
    expect(await violations(page, theme), 'running, questioned').toEqual([]);
    await page.getByRole('textbox', { name: /Line volts/ }).fill('');
    await page.getByRole('button', { name: 'Listen' }).click();
    await expect(page.getByRole('button', { name: /^Take / })).toBeEnabled();
    expect(await violations(page, theme), 'listening').toEqual([]);
    await page.getByRole('button', { name: /^Take / }).click();
    await page.getByRole('button', { name: /loose: / }).click();
    expect(await violations(page, theme), 'loose ends').toEqual([]);
    await goToStop(page, 'off-outdoor');
    expect(await violations(page, theme), 'power off').toEqual([]);
    await beginStop(page);
    const herm = await goToReading(page, 'off-outdoor', /Capacitance, HERM, bench/);
    await page.getByRole('button', { name: 'Put off' }).click();
    expect(await violations(page, theme), 'put off').toEqual([]);
    await page.getByRole('button', { name: 'Not put off' }).click();
    await herm.fill('30');
    await page.getByRole('button', { name: 'Part replaced' }).click();
    expect(await violations(page, theme), 'part replaced').toEqual([]);
    await page.goto(page.url().replace(/off-outdoor.*/, 'close'));
    await expect(page.getByRole('button', { name: 'Close the round' })).toBeVisible();
    expect(await violations(page, theme), 'close').toEqual([]);
    await page.getByRole('link', { name: 'Show the customer' }).click();
    await expect(page.getByRole('heading', { level: 1, name: /today/ })).toBeVisible();
    expect(await violations(page, theme), 'summary').toEqual([]);
  });
}

test('targets are big enough for gloves', async ({ page, server }) => {
  const row = await watchedDual(server.address);
  await startRound(page, row.systemId);
  await beginRunning(page, '50');
  const keys = await page.getByRole('group', { name: 'Keypad' }).getByRole('button').all();
  for (const key of keys) {
    const box = await key.boundingBox();
    expect(box?.height).toBeGreaterThanOrEqual(48);
    expect(box?.width).toBeGreaterThanOrEqual(48);
  }
});
