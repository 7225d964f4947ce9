import { gzipSync } from 'node:zlib';
import { expect, test } from '../support/app.ts';

/** JavaScript that the page itself may name, packed: on a poor line a second of waiting. */
const MOST_NAMED_BYTES = 170_000;

test.describe('kept on the device', () => {
  test.use({ serviceWorkers: 'allow' });

  test('a first visit waits for the frame alone, then for its place; letters and all else come after', async ({
    page,
    server,
  }) => {
    const html = await (await fetch(`${server.address}/`)).text();
    const named = [...new Set([...html.matchAll(/(?:src|href)="(\/assets\/[^"]+\.js)"/g)].map((m) => m[1]!))];
    const files = await Promise.all(
      named.map(async (path) => Buffer.from(await (await fetch(server.address + path)).arrayBuffer())),
    );
    const bytes = files.reduce((sum, file) => sum + gzipSync(file).length, 0);
    expect(bytes).toBeGreaterThan(50_000);
    expect(bytes).toBeLessThan(MOST_NAMED_BYTES);

    const asked: string[] = [];
    page.on('request', (request) => asked.push(new URL(request.url()).pathname));
    await page.goto(`${server.address}/watch`);
    await expect(page.locator('[data-row]').first()).toBeVisible();
    await expect.poll(() => page.evaluate(() => document.fonts.check("13px 'Archivo Variable'"))).toBe(true);
    const first = (pattern: RegExp) => asked.findIndex((path) => pattern.test(path));
    expect(first(/watch-screen-/)).toBeGreaterThan(-1);
    expect(first(/\.woff2$/)).toBeGreaterThan(first(/watch-screen-/));
    // The place itself is asked for while its code is on the way.
    expect(first(/^\/api\/watch$/)).toBeGreaterThan(-1);
    // And the app is kept for a day without a signal, by itself.
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await page.reload();
    await expect(page.locator('[data-row]').first()).toBeVisible();
    await expect(page.locator('html')).toHaveClass(/lettered/);
  });
});

test('a copy on the device that cannot be read costs nobody the app', async ({ page, server }) => {
  await page.goto(`${server.address}/watch`);
  await expect(page.locator('[data-row]').first()).toBeVisible();
  const spoil = () =>
    page.evaluate(async () => {
      const db = await new Promise<IDBDatabase>((resolve) => {
        const opening = indexedDB.open('yarnix');
        opening.onsuccess = () => resolve(opening.result);
      });
      const store = db.transaction('cache', 'readwrite').objectStore('cache');
      const was = await new Promise<unknown>((resolve) => {
        const asked = store.get('answers');
        asked.onsuccess = () => resolve(asked.result);
      });
      store.put('{"clientState":', 'answers');
      db.close();
      return typeof was;
    });
  await expect.poll(spoil).toBe('string');
  await page.reload();
  await expect(page.locator('[data-row]').first()).toBeVisible();
});
