import { expect, goToReading, goToStop, isPhone, startRound, test, watchedDual } from '../support/app.ts';

test('a heating round takes the cooling readings too, and is left with one restart', async ({ page, alone }) => {
  const { systemId } = await watchedDual(alone.address, 1);
  await startRound(page, systemId, 'heating', alone.address);
  await goToStop(page, 'close');
  await page.getByRole('button', { name: 'Take the cooling readings on this visit too' }).click();
  await expect(page.getByRole('button', { name: 'No cooling readings on this visit' })).toBeVisible();
  await (await goToReading(page, 'cooling-air', /Return air, dry and wet bulb: Dry bulb/)).fill('75.2');
  await expect(page.getByRole('textbox', { name: /Return air, dry and wet bulb: Dry bulb/ })).toHaveValue('75.2');
  if (!isPhone(page)) {
    const rail = page.getByRole('navigation', { name: 'Stops' });
    await expect(rail).toContainText(
      /Defrost, last of all.*Air and blower, cooling.*Outdoors, power off.*Start it again/s,
    );
  }
});
