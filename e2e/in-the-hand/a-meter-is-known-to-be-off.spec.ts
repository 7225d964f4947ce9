import { beginStop, enter, expect, goToReading, goToStop, startRound, test, watchedDual } from '../support/app.ts';

test('a verdict by a meter known to be off, and a check on something known that clears it', async ({ page, alone }) => {
  // The Watch says it once.
  await page.goto(`${alone.address}/watch`);
  const told = page.getByRole('list', { name: 'Meters that read off' }).getByRole('listitem');
  await expect(told).toHaveCount(1);
  await expect(told).toContainText(/Bram’s capacitance meter reads 1\.\d\s% low since/);

  // Somebody else has it in hand today: the verdict says what was read, and what that comes to.
  const { systemId } = await watchedDual(alone.address);
  await startRound(page, systemId, 'heating', alone.address);
  await page.getByRole('button', { name: 'Another instrument in hand?' }).click();
  const colleagues = await page
    .getByLabel('capacitance meter', { exact: true })
    .getByRole('option', { name: /a colleague’s/ })
    .getAttribute('value');
  await page.getByLabel('capacitance meter', { exact: true }).selectOption(colleagues);
  await expect(page.getByLabel('capacitance meter', { exact: true })).toHaveValue(colleagues!);
  const reading = await goToReading(page, 'off-outdoor', /Capacitance, HERM, bench/);
  await reading.fill('38.0');
  await expect(
    page.getByText(/38\.0\sµF read; that meter reads 1\.\d\s% low: about 38\.[67], give or take/).first(),
  ).toBeVisible();

  // At the office it is held against a known capacitor.
  await page.goto(`${alone.address}/watch`);
  await told.getByRole('link').click();
  await expect(page.getByRole('heading', { level: 1, name: 'Bram’s capacitance meter' })).toBeVisible();
  await page.getByLabel('It shows').fill('forty');
  await page.getByRole('button', { name: 'Keep the check' }).click();
  await expect(page.getByText('A figure is needed here')).toBeVisible();
  await page.getByLabel('It shows').fill('40.0');
  await page.getByRole('button', { name: 'Keep the check' }).click();
  await expect(page.getByText('Kept. Parts are judged by it')).toBeVisible();
  await expect(page.getByText(/Bram’s capacitance meter reads true/)).toBeVisible();

  // From then on it is taken at its word.
  await page.goto(`${alone.address}/watch`);
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await expect(told).toHaveCount(0);
  await page.goto(`${alone.address}/rounds`);
  await page.getByRole('link', { name: /go on/ }).first().click();
  await goToReading(page, 'off-outdoor', /Capacitance, HERM, bench/);
  await expect(page.getByText(/38\.0\sµF/).first()).toBeVisible();
  await expect(page.getByText(/that meter reads/)).toHaveCount(0);
});

test('a new meter, checked at a round’s start, is what the next readings stand under', async ({ page, alone }) => {
  await page.goto(`${alone.address}/meters`);
  await page.getByRole('button', { name: 'New instrument' }).click();
  const form = page.getByRole('form', { name: 'New instrument' });
  await form.getByRole('button', { name: 'Keep it' }).click();
  await expect(form.getByText('its name is missing')).toBeVisible();
  await form.getByLabel('Name').fill('The yellow one');
  await form.getByLabel('Used since').fill('2026-11-20');
  await form.getByRole('button', { name: 'Keep it' }).click();
  await expect(
    page.getByRole('link', { name: /Ottoline’s capacitance meter \(The yellow one\): nothing to hold/ }),
  ).toBeVisible();

  const { systemId } = await watchedDual(alone.address);
  await startRound(page, systemId, 'heating', alone.address);
  const meters = page.getByRole('region', { name: 'Meters' });
  await expect(meters).toContainText('The capacitance meter was never checked');
  await meters.getByRole('button', { name: 'Check it now' }).click();
  await meters.getByLabel('It shows').fill('40.4');
  await meters.getByLabel('There is').fill('40');
  await meters.getByRole('button', { name: 'Keep the check' }).click();
  await expect(meters).toContainText('One meter checked.');
  const sent = page.waitForResponse((r) => r.url().includes('/api/readings/') && r.request().method() === 'PUT');
  await goToStop(page, 'off-outdoor');
  await beginStop(page);
  await goToReading(page, 'off-outdoor', /Capacitance, HERM, bench/);
  await enter(page, '44.0');
  await page.getByRole('textbox', { name: /Capacitance, HERM, bench/ }).press('Enter');
  const body = (await (await sent).json()) as { instrument: Record<string, string> };

  await page.goto(`${alone.address}/meters`);
  await page.getByRole('link', { name: /The yellow one/ }).click();
  await expect(page).toHaveURL(new RegExp(body.instrument['capacitance-meter']!));
  await expect(page.getByRole('table')).toContainText('+1.0 %');
});
