import { HEAT_PUMP_PLATE } from '@yarnix/core/testing';
import { enter, expect, goToReading, goToStop, startRound, test } from '../support/app.ts';
import { enterSystem } from '../support/system.ts';

test('a two-stage compressor: its stage is one tap, and amps are compared only where it is known', async ({
  page,
  server,
}) => {
  const plate = { ...HEAT_PUMP_PLATE, compressorStages: 2 } as const;
  const id = await enterSystem(server.address, 'split-heat-pump', plate, '9 Stage Row');
  await startRound(page, id, 'cooling');

  // Nobody has said which stage runs: held against the plate, compared with nothing.
  await goToReading(page, 'cooling', /Compressor amps, common/);
  await enter(page, '9.4');
  await expect(page.getByText('Judged on the high stage only', { exact: false }).first()).toBeVisible();

  await goToStop(page, 'cooling-air?at=1');
  await expect(page.getByRole('heading', { level: 1, name: 'Compressor stage, cooling' })).toBeVisible();
  await page.getByRole('radio', { name: 'Low' }).click();
  await expect(page.getByText('Read as it stands.').first()).toBeVisible();

  // What is still being typed is now a low-stage figure: the first of its kind.
  await goToReading(page, 'cooling', /Compressor amps, common/);
  await expect(page.getByRole('textbox', { name: /Compressor amps, common/ })).toHaveValue('9.4');
  await expect(page.getByText(/First reading of this part/).first()).toBeVisible();
  await expect(page.getByText('Judged on the high stage only', { exact: false })).toHaveCount(0);
});
