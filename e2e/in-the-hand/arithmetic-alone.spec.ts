import { expect, isPhone, startRound, test, watchedDual } from '../support/app.ts';

test('a capacitor is worked out on the bench, doubted where the volts are the line’s, and found again among the last', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/watch`);
  await page
    .getByRole('navigation', { name: 'Places' })
    .filter({ visible: true })
    .getByRole('link', { name: 'Bench' })
    .click();
  await page.getByLabel('Amps in its lead').fill('5,36');
  await page.getByLabel('Volts across it').fill('370');
  await expect(page.getByText('38.4 µF', { exact: true })).toBeVisible();
  await expect(page.getByText('= 2653 × 5.36 A ÷ 370 V')).toBeVisible();
  await expect(page).toHaveURL(/volts=370/);
  // What was typed is in the address: sent on, it is the same sum.
  const address = page.url();
  await expect(page.getByRole('region', { name: 'Worked out last' }).getByRole('link')).toHaveCount(1);

  await page.getByLabel('Volts across it').fill('241');
  await expect(page.getByText(/241 V is near the line’s/)).toBeVisible();
  await page.getByLabel('Amps in its lead').fill('lots');
  await expect(page.getByText('A number is needed here.')).toBeVisible();
  await expect(page.getByText('Put right what is marked, and it is worked out.')).toBeVisible();

  await page.goto(address);
  await expect(page.getByText('38.4 µF', { exact: true }).first()).toBeVisible();
  if (isPhone(page)) {
    await page.getByLabel('What is to be worked out').selectOption({ label: 'Three wires' });
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  } else await page.getByRole('navigation', { name: 'Sums' }).getByRole('link', { name: 'Three wires' }).click();
  for (const [wire, amps] of [
    ['Common', '13'],
    ['Run', '12'],
    ['Start', '5'],
  ] as const)
    await page.getByLabel(wire, { exact: true }).fill(amps);
  await expect(page.getByText('They fit', { exact: true })).toBeVisible();
});

test.describe('kept on the device', () => {
  test.use({ serviceWorkers: 'allow' });

  test('the bench works without a signal', async ({ page, server, context }) => {
    await page.goto(`${server.address}/bench/heater`);
    await page.evaluate(() => navigator.serviceWorker.ready);
    await page.reload();
    await expect(page.getByLabel('Rated', { exact: true })).toBeVisible();
    await context.setOffline(true);
    await page.goto(`${server.address}/bench/heater?kilowatts=10&volts=230`);
    await expect(page.getByText('39.9 A', { exact: true })).toBeVisible();
  });
});

test('what was worked out on the bench goes into a round that is under way, and is looked at there before it is taken', async ({
  page,
  alone,
}) => {
  // A server of its own: the round it leaves under way is in nobody's way.
  const { systemId } = await watchedDual(alone.address);
  await startRound(page, systemId, 'cooling', alone.address);
  await page.goto(`${alone.address}/bench/capacitor-under-load?amps=5.36&volts=370`);
  const into = page.getByRole('region', { name: /Into a round under way/ });
  await into.getByRole('button', { name: /HERM/ }).click();
  await expect(page).toHaveURL(/\/rounds\/.+/);
  const stored = await page.evaluate(async () => {
    const db = await new Promise<IDBDatabase>((resolve) => {
      const opening = indexedDB.open('yarnix');
      opening.onsuccess = () => resolve(opening.result);
    });
    const all = await new Promise<{ drafts: Record<string, object> }[]>((resolve) => {
      const asked = db.transaction('rounds').objectStore('rounds').getAll() as IDBRequest<
        { drafts: Record<string, object> }[]
      >;
      asked.onsuccess = () => resolve(asked.result);
    });
    return all.flatMap((round) => Object.values(round.drafts));
  });
  expect(stored).toEqual([{ amps: '5.36', volts: '370' }]);
});
