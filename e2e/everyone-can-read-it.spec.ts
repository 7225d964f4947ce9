import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { beginRunning, enter, expect, startRound, test, watchedDual } from './support/app.ts';

async function violations(page: Page): Promise<string[]> {
  // At the end of the page the bar at the bottom covers nothing that could be scrolled clear of it.
  await page.evaluate(() => window.scrollTo(0, document.body.scrollHeight));
  const { violations: found } = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'])
    .analyze();
  return found.map(
    (v) =>
      `${v.id}: ${v.nodes
        .map((n) => n.target.join(' '))
        .slice(0, 3)
        .join(' | ')}`,
  );
}

for (const theme of ['day', 'attic'] as const) {
  test(`no screen has an accessibility violation, ${theme} theme`, async ({ page, server }) => {
    test.setTimeout(120_000);
    await page.addInitScript((t) => localStorage.setItem('yarnix-theme', t), theme);
    const row = await watchedDual(server.address);
    const screens: [string, RegExp][] = [
      ['/watch', /may not see/],
      ['/systems', /systems/],
      ['/systems/new', /New system/],
      ['/rounds', /under way/],
      [`/systems/${row.systemId}`, /\d/],
      [`/systems/${row.systemId}/threads/${row.componentId}/${row.kind}/${row.point}`, /Capacitance/],
      ['/nowhere', /no such page/],
    ];
    for (const [path, heading] of screens) {
      await page.goto(path);
      await expect(page.getByRole('heading', { level: 1, name: heading })).toBeVisible();
      expect(await violations(page), path).toEqual([]);
    }
    await startRound(page, row.systemId);
    expect(await violations(page), 'running, before the first reading').toEqual([]);
    await beginRunning(page, '50');
    await enter(page, '900');
    expect(await violations(page), 'running, questioned').toEqual([]);
    await page.goto(page.url().replace(/running.*/, 'power-off'));
    await expect(page.getByRole('heading', { level: 1, name: 'Power off' })).toBeVisible();
    expect(await violations(page), 'power off').toEqual([]);
    await page.goto(page.url().replace(/power-off.*/, 'power-off?at=2'));
    await page.getByRole('textbox', { name: /Capacitance, HERM, bench/ }).fill('30');
    await page.getByRole('button', { name: 'Part replaced' }).click();
    expect(await violations(page), 'part replaced').toEqual([]);
    await page.goto(page.url().replace(/power-off.*/, 'close'));
    await expect(page.getByRole('button', { name: 'Close the round' })).toBeVisible();
    expect(await violations(page), 'close').toEqual([]);
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
