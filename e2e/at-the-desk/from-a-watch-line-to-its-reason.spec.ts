import { drawn, expect, isPhone, startRound, test, watchedDual, watchRows } from '../support/app.ts';

type Reason = { code: 'trend'; numbers: { ownSharePercent: number } } | { code: 'another' };
interface Because {
  because: Reason;
  also: Reason[];
}

/** On the Watch by its trend, of which its own readings tell some part: with almost none, it is told in other words. */
const byItsOwnTrend = (reason: Reason): boolean => reason.code === 'trend' && reason.numbers.ownSharePercent >= 5;

test('from a line of the Watch to its reason, its chart, its table, and back', async ({ page, server }) => {
  const rows = (await watchRows(server.address)) as unknown as (Because & { componentId: string; kind: string })[];
  const told = rows.find((r) => [r.because, ...r.also].some(byItsOwnTrend));
  if (!told) throw new Error('nothing on the Watch stands there by its own trend');
  await page.goto('/watch');
  const line = page.locator(`[data-row="${told.componentId}"]`);
  const why = (await line.locator('p').last().textContent()) ?? '';
  await line.click();
  await drawn(page);
  // The same sentence, from the same numbers, with whose doing it is.
  const reasons = page.getByRole('definition');
  await expect(reasons.filter({ hasText: /in 10 to be (under|over)/ }).first()).toBeVisible();
  expect(why.length).toBeGreaterThan(20);
  await expect(page.getByText(/of what is known of its pace comes from its own readings/).first()).toBeVisible();
  await expect(page.getByRole('img', { name: /chart of \d+ readings, expected/ })).toBeVisible();
  const table = page.getByRole('region', { name: 'Readings as a table' });
  await expect(table.getByText('forecast for the next round, 80 % range')).toBeVisible();
  expect(await table.getByRole('row').count()).toBeGreaterThan(3);
  await page.getByRole('navigation', { name: 'Where this is' }).getByRole('link', { name: 'Watch' }).click();
  await expect(page.getByRole('heading', { level: 1, name: /may not see their next round/ })).toBeVisible();
});

test('one tap on a line opens Find on its machine, which knows what its threads say', async ({ page, alone }) => {
  const { systemId } = await watchedDual(alone.address);
  await page.goto(`${alone.address}/watch`);
  const rows = page.locator('li').filter({ has: page.locator(`a[href^="/systems/${systemId}/"]`) });
  await rows
    .getByRole('link', { name: /^Find the cause: Run capacitor/ })
    .first()
    .click();
  await expect(page).toHaveURL(new RegExp(`/systems/${systemId}/(find|calls/)`));
  await page.getByRole('button', { name: 'Compressor runs, outdoor fan does not' }).click();
  await page.getByRole('button', { name: 'Find the cause' }).click();
  await expect(page.getByText(/^From its own threads: run capacitor was not sound/)).toBeVisible({ timeout: 30_000 });
});

test('season, area and part are in the address; the list as CSV holds the same parts', async ({ page, server }) => {
  await page.goto('/watch');
  await page.getByLabel('Part', { exact: true }).selectOption({ label: 'Run capacitor' });
  await expect(page).toHaveURL(/slot=run-capacitor/);
  await page.getByLabel('Season', { exact: true }).selectOption('heating');
  await expect(page).toHaveURL(/season=heating/);
  await page.reload();
  await expect(page.getByLabel('Part', { exact: true })).toHaveValue('run-capacitor');
  const lines = page.locator('[data-row]');
  await expect(lines.first()).toContainText('Run capacitor');
  const href = (await page.getByRole('link', { name: 'CSV' }).getAttribute('href')) ?? '';
  const csv = (await (await fetch(server.address + href)).text()).trim().split('\r\n');
  expect(csv.length - 1).toBe(await lines.count());
  expect(csv.slice(1).every((line) => line.includes('Run capacitor'))).toBe(true);
});

test('a part is set aside with a reason, and had back at once', async ({ page }) => {
  await page.goto('/watch');
  const lines = page.locator('[data-row]');
  await expect(lines.first()).toBeVisible();
  // A few are drawn first.
  await expect.poll(() => lines.count()).toBeGreaterThan(10);
  const before = await lines.count();
  const first = await lines.first().getAttribute('data-row');
  if (isPhone(page)) {
    await page
      .getByRole('button', { name: /^Set aside: / })
      .first()
      .tap();
  } else {
    // By keyboard: the first row, then S.
    await page.keyboard.press('j');
    await expect(lines.first()).toBeFocused();
    await page.keyboard.press('s');
  }
  const form = page.getByRole('dialog', { name: 'Set aside' });
  await form.getByRole('button', { name: 'Set aside' }).click();
  await expect(form.getByText('the reason is missing')).toBeVisible();
  await form.getByLabel('Because').fill('owner away, keys at the office');
  await form.getByRole('button', { name: 'Six weeks' }).click();
  await form.getByRole('button', { name: 'Set aside' }).click();
  await expect(page.locator(`[data-row="${first}"]`)).toHaveCount(0);
  await page.getByRole('button', { name: /^\d+ set aside$/ }).click();
  await expect(page.getByText(/Set aside until .*owner away, keys at the office/)).toBeVisible();
  await page.getByRole('button', { name: /^\d+ set aside$/ }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.locator(`[data-row="${first}"]`)).toBeVisible();
  await expect(lines).toHaveCount(before);
});

test('threads of one system side by side on one time axis, as read and like for like, saved as a picture', async ({
  page,
  server,
}) => {
  const { systemId } = await watchedDual(server.address);
  const system = (await (await fetch(`${server.address}/api/systems/${systemId}`)).json()) as {
    components: { id: string; slot: string; removedOn: string | null }[];
  };
  const compressor = system.components.find((c) => c.slot === 'compressor' && c.removedOn === null);
  await page.goto(`/systems/${systemId}/threads/${compressor?.id}/compressor-amps/common`);
  await expect(page.getByRole('button', { name: 'Like for like' })).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByText('as with 82 °F outdoors and 240 V', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'As read' }).click();
  await expect(page).toHaveURL(/values=read/);
  await page.getByRole('button', { name: /^Lay beside it/ }).click();
  await page
    .getByRole('dialog', { name: 'Threads to lay beside it' })
    .getByRole('button', { name: /Run capacitor: Capacitance, HERM/ })
    .click();
  await page.keyboard.press('Escape');
  await expect(page).toHaveURL(/with=/);
  await expect(page.getByRole('img', { name: /chart of \d+ readings/ })).toHaveCount(2);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'PNG' }).click();
  expect((await download).suggestedFilename()).toMatch(/compressor.*\.png$/);
});

test('a repair noted at the close reaches the office and the thread it moves', async ({ page, server, system }) => {
  await startRound(page, system.id);
  await page.goto(page.url().replace(/arrive.*/, 'close'));
  const filter = page.getByRole('button', { name: 'Filter changed' });
  await filter.click();
  await expect(filter).toHaveAttribute('aria-pressed', 'true');
  const events = async () =>
    ((await (await fetch(`${server.address}/api/systems/${system.id}`)).json()) as { events: { kind: string }[] })
      .events;
  await expect.poll(async () => (await events()).map((e) => e.kind)).toEqual(['filter-changed']);
  await filter.click();
  await expect.poll(async () => (await events()).length).toBe(0);
});

test('what the fleet teaches is learned anew on asking, with the list standing meanwhile', async ({ page }) => {
  // Work off the request path gives way to whatever else the machine does.
  test.setTimeout(240_000);
  await page.goto('/watch');
  await page.getByRole('button', { name: 'Learn anew now' }).click();
  await expect(page.getByText(/Learning from all threads|Judging anew/)).toBeVisible();
  await expect(page.locator('[data-row]').first()).toBeVisible();
  await expect(page.getByText(/Learned from this firm’s own parts/)).toBeVisible({ timeout: 200_000 });
});
