import { beginStop, expect, goToReading, goToStop, startRound, test } from '../support/app.ts';

test('a fault put into the simulated house is heard by the probe and judged', async ({ page, system }) => {
  await page.goto(`/systems/${system.id}`);
  await page.getByText('Simulated probes').click();
  await page.getByLabel('Contactor pitted').check();
  await startRound(page, system.id, 'heating');
  await goToStop(page, 'heating');
  await beginStop(page);
  await goToReading(page, 'heating', /Volts across contactor/);
  await page.getByRole('button', { name: 'Listen' }).click();
  const take = page.getByRole('button', { name: /^Take / });
  await expect(take).toBeEnabled();
  await take.click();
  await expect(page.getByText(/The contact does not carry/).first()).toBeVisible();
});
