import {
  allSent,
  beginRunning,
  enter,
  expect,
  goToReading,
  isPhone,
  next,
  startRound,
  test,
  watchedDual,
} from '../support/app.ts';

const readingsOf = async (address: string, systemId: string): Promise<number> => {
  const detail = (await (await fetch(`${address}/api/systems/${systemId}`)).json()) as { readings: unknown[] };
  return detail.readings.length;
};

test('0.45 A on a compressor is asked about in place, and kept only when confirmed', async ({ page, alone }) => {
  const { systemId } = await watchedDual(alone.address);
  await page.goto(alone.address);
  await page.goto(`${alone.address}/systems/${systemId}`);
  await page.getByRole('button', { name: 'Start a heating round' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'At the door' })).toBeVisible();
  await beginRunning(page, '60');
  const before = await readingsOf(alone.address, systemId);
  await enter(page, '240');
  await next(page);
  await enter(page, '0.45');
  await next(page);
  await expect(page.getByRole('alert')).toContainText('0.45 A?');
  await expect(page.getByRole('textbox', { name: /Compressor amps, common/ })).toHaveValue('0.45');
  await allSent(page);
  expect(await readingsOf(alone.address, systemId)).toBe(before + 1);
  await page.getByRole('button', { name: 'Keep it as typed' }).click();
  await expect(page.getByRole('alert')).toHaveCount(0);
  await expect.poll(() => readingsOf(alone.address, systemId)).toBe(before + 2);
});

test('a capacitor read ten times too large is offered with its point put right, words and negatives are refused with a sentence', async ({
  page,
  system,
}) => {
  await startRound(page, system.id);
  const field = await goToReading(page, 'off-outdoor', /Run capacitor: Capacitance, (HERM|single), bench/);
  const here = page.url();
  // A little above its 40 µF, with the point forgotten.
  await field.fill('402');
  await expect(page.getByRole('alert')).toContainText('Did you mean 40.2?');
  await page.getByRole('button', { name: 'Make it 40.2' }).click();
  await expect(field).toHaveValue('40.2');
  for (const [text, sentence] of [
    ['forty', 'is not a number'],
    ['-3', 'cannot be below zero'],
    ['1000000000', 'beyond any meter'],
    ['NaN', 'is not a number'],
  ] as const) {
    await field.fill(text);
    await expect(page.getByRole('alert')).toContainText(sentence);
    await field.press('Enter');
    await expect(field).toHaveValue(text);
  }
  if (isPhone(page)) expect(page.url()).toBe(here);
});

test('pages that are not there say so', async ({ page }) => {
  await page.goto('/nowhere');
  await expect(page.getByRole('heading', { name: 'There is no such page' })).toBeVisible();
  await page.goto('/systems/00000000-0000-7000-8000-000000000000');
  await expect(page.getByRole('heading', { name: 'Not found' })).toBeVisible();
  await page.goto('/systems?search=no-such-street-anywhere');
  await expect(page.getByText('No system matches.')).toBeVisible();
});
