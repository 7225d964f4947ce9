import type { Page } from '@playwright/test';
import {
  allSent,
  beginRunning,
  enter,
  expect,
  goToReading,
  next,
  readingsOf,
  startRound,
  test,
  watchedDual,
} from '../support/app.ts';

const volts = (page: Page) => page.getByRole('textbox', { name: /Line volts/ });
const common = (page: Page) => page.getByRole('textbox', { name: /Compressor amps, common/ });

test('the server fails on one reading in mid-round: the rest arrives, and that one is edited and sent', async ({
  page,
  alone,
}) => {
  const { systemId } = await watchedDual(alone.address);
  await page.goto(`${alone.address}/systems`);
  let failures = 0;
  await page.route('**/api/readings/*', async (route) => {
    const body = route.request().postDataJSON() as { inputs: { volts?: number } };
    if (body.inputs.volts !== 243) return route.continue();
    failures += 1;
    return route.fulfill({ status: 500, body: 'a fault of the server' });
  });
  await startRound(page, systemId, 'heating', alone.address);
  await beginRunning(page, '52');
  await enter(page, '243');
  await next(page);
  await expect(common(page)).toBeVisible();
  await enter(page, '12.6');
  await next(page);
  await expect.poll(() => readingsOf(alone.address, systemId)).toEqual([12.6]);
  expect(failures).toBe(1);

  await page.getByRole('link', { name: '1 not taken' }).first().click();
  await expect(page.getByRole('heading', { level: 1, name: 'Not at the office yet' })).toBeVisible();
  await expect(page.getByText('The server answered 500 without a reason.')).toBeVisible();
  await page.getByRole('button', { name: /^Try again: Line volts/ }).click();
  await expect.poll(() => failures).toBe(2);
  await page.getByRole('button', { name: /^Take back: Line volts/ }).click();
  await expect(page.getByText(/^Taken back/)).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  // It is typed again where it was typed before, and nothing of it had been lost.
  await page.getByRole('button', { name: /^Edit: Line volts/ }).click();
  await expect(volts(page)).toHaveValue('243');
  await volts(page).focus();
  await volts(page).press('ControlOrMeta+a');
  await page.keyboard.press('Backspace');
  await expect(volts(page)).toHaveValue('');
  await enter(page, '241');
  await next(page);
  await expect.poll(async () => (await readingsOf(alone.address, systemId)).sort()).toEqual([12.6, 241]);
  await allSent(page);
});

test('a phone that loses its signal amid a stream says so, and listens again once it is back', async ({
  page,
  system,
}) => {
  await startRound(page, system.id);
  await goToReading(page, 'off-outdoor', /HERM/);
  await page.getByRole('button', { name: 'Listen' }).first().click();
  await expect(page.getByText(/moving|settled/).first()).toBeVisible();
  await page.context().setOffline(true);
  await expect(page.getByText('The probe kit cannot be reached; type the value.')).toBeVisible({ timeout: 30_000 });
  await page.context().setOffline(false);
  await page.getByRole('button', { name: 'Stop listening' }).click();
  await page.getByRole('button', { name: 'Listen' }).first().click();
  await expect(page.getByText(/moving|settled/).first()).toBeVisible();
});
