import type { Page } from '@playwright/test';
import {
  allSent,
  beginRunning,
  closeRound,
  enter,
  expect,
  keptHere,
  next,
  readingsOf,
  startRound,
  test,
  watchedDual,
} from '../support/app.ts';

const volts = (page: Page) => page.getByRole('textbox', { name: /Line volts/ });
const common = (page: Page) => page.getByRole('textbox', { name: /Compressor amps, common/ });

test('a reload in the middle of a number keeps it, and what was taken before', async ({ page, system }) => {
  await startRound(page, system.id);
  await beginRunning(page, '52');
  await enter(page, '243');
  await next(page);
  await expect(common(page)).toBeVisible();
  await enter(page, '11.');
  await expect(common(page)).toHaveValue('11.');
  // A call comes in: the page loses the focus, the field keeps it, and what is half typed is not taken for a reading.
  await common(page).dispatchEvent('focusout');
  await expect(common(page)).toHaveValue('11.');
  await page.reload();
  await expect(common(page)).toHaveValue('11.');
  const address = page.url();

  // A crashed tab: a new one in the same browser goes on where it stopped.
  const context = page.context();
  await page.close();
  const again = await context.newPage();
  await again.clock.install({ time: new Date('2026-11-25T15:00:00Z') });
  await again.goto(address);
  await expect(common(again)).toHaveValue('11.');
  await again.goto(address.replace(/heating.*/, 'look'));
  await expect(again.getByLabel('Outdoor air', { exact: false }).first()).toHaveValue('52');
  await again.goto(address.replace(/\?.*/, '?at=1'));
  await expect(volts(again)).toHaveValue('243');
});

/** Keeps the device's store so busy that nothing gets into it until the page goes. */
const blockStore = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<void>((resolve, reject) => {
        const opening = indexedDB.open('yarnix');
        opening.onerror = () => reject(new Error('the store does not open'));
        opening.onsuccess = () => {
          const rounds = opening.result.transaction(['rounds', 'outbox'], 'readwrite').objectStore('rounds');
          const goOn = () => (rounds.count().onsuccess = goOn);
          goOn();
          resolve();
        };
      }),
  );

test('a store that is too busy to write loses nothing: what is typed is kept before the key is up', async ({
  page,
  alone,
}) => {
  const { systemId } = await watchedDual(alone.address);
  await startRound(page, systemId, 'heating', alone.address);
  await beginRunning(page, '52');
  await allSent(page);
  await blockStore(page);
  await enter(page, '243');
  await next(page);
  await enter(page, '12.6');
  await expect(common(page)).toHaveValue('12.6');
  await page.reload();
  await expect(common(page)).toHaveValue('12.6');
  // The reading that was on its way reaches the office once, though its own page never wrote it.
  await expect.poll(() => readingsOf(alone.address, systemId), { timeout: 30_000 }).toEqual([243]);
});

test.describe('kept on the device', () => {
  test.use({ serviceWorkers: 'allow' });

  test('a stopped server loses nothing: typed, reloaded, closed, and sent once it is back', async ({ page, alone }) => {
    test.setTimeout(120_000);
    const { systemId } = await watchedDual(alone.address);
    await startRound(page, systemId, 'heating', alone.address);
    await beginRunning(page, '52');
    await allSent(page);
    await keptHere(page);

    await alone.stop();
    await enter(page, '244');
    await next(page);
    await enter(page, '12.6');
    await next(page);
    await expect(page.getByText(/2 kept here, no signal/).first()).toBeVisible({ timeout: 20_000 });
    await page.reload();
    await page.goto(page.url().replace(/\?.*/, '') + '?at=2');
    await expect(common(page)).toHaveValue('12.6');
    await page.goto(page.url().replace(/heating.*/, 'close'));
    await expect(
      page.getByText(/of RLA|worked out from MCA|No RLA|Only the fuse|good for a 240|readings held against/).first(),
    ).toBeVisible();
    await closeRound(page);
    await expect(page.getByText(/\d kept here, no signal/).first()).toBeVisible({ timeout: 20_000 });

    await alone.start();
    // It is tried again within 20 s, whoever does nothing; what follows is sent one after the other.
    await page.clock.fastForward(20_000);
    await allSent(page);
    const detail = (await (await fetch(`${alone.address}/api/systems/${systemId}`)).json()) as {
      visits: { id: string; closedAt: string | null }[];
      readings: { visitId: string; value: number }[];
    };
    const visit = detail.visits[0];
    expect(visit?.closedAt).not.toBeNull();
    expect(detail.readings.filter((r) => r.visitId === visit?.id).map((r) => r.value)).toEqual([244, 12.6]);
  });
});

test('a half-filled plate form outlives a reload, and a refused one stays as it was', async ({ page }) => {
  await page.goto('/systems/new');
  await page.getByLabel('Customer').fill('Dranovan');
  await page.getByLabel('Compressor RLA').fill('many');
  await page.getByRole('button', { name: 'Enter the system' }).click();
  await expect(page.getByText('must be a number in A')).toBeVisible();
  await expect(page.getByText('Where is it?')).toBeVisible();
  await expect(page).toHaveURL(/systems\/new/);
  await page.reload();
  await expect(page.getByLabel('Customer')).toHaveValue('Dranovan');
});
