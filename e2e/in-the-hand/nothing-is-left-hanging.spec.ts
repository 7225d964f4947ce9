import {
  expect,
  goToReading,
  goToStop,
  isPhone,
  startRound,
  test,
  watchedDual,
  beginStop,
  putBackAll,
  toReadingAfter,
} from '../support/app.ts';

test('every loose end forgotten: the round stays open until each is put back or explained', async ({
  page,
  server,
  system,
}) => {
  await startRound(page, system.id, 'heating');
  // The technician follows every instruction, takes nothing, and wants to leave.
  const stops = await page.evaluate(() =>
    [...document.querySelectorAll('nav[aria-label=Stops] a')].map((a) => a.getAttribute('href') ?? ''),
  );
  const walk =
    stops.length > 0
      ? stops.map((href) => href.split('/').at(-1) ?? '')
      : ['look', 'calls', 'heating', 'defrost', 'off-outdoor', 'off-indoor', 'restart'];
  for (const stop of walk.filter((s) => !['arrive', 'restart', 'close'].includes(s))) {
    await goToStop(page, stop);
    await beginStop(page);
    await expect(page.getByRole('button', { name: /loose: / })).toBeVisible();
  }
  // One more is noted by hand; it is in sight at once.
  await page.getByRole('button', { name: /loose: / }).click();
  await page.getByLabel('Something else').fill('Ladder in the attic');
  await page.getByRole('button', { name: 'Note it', exact: true }).click();
  await expect(page.getByRole('button', { name: /Ladder in the attic/ }).first()).toBeVisible();

  await goToStop(page, 'close');
  const close = page.getByRole('button', { name: 'Close the round' });
  await expect(close).toBeDisabled();
  await expect(page.getByText(/things hang loose: put back, or write why it stays/)).toBeVisible();
  const loose = Number(/^(\d+)/.exec(await page.getByRole('heading', { name: /still loose/ }).innerText())?.[1]);
  // A packaged unit has no indoor panel to forget.
  expect(loose).toBeGreaterThanOrEqual(6);

  // The office will not have it either, whatever the device thinks.
  const visitId = /rounds\/([\w-]+)/.exec(page.url())?.[1] ?? '';
  const refused = await fetch(`${server.address}/api/visits/${visitId}/closing`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ closedAt: '2026-11-25T18:00:00.000Z' }),
  });
  expect(refused.status).toBe(409);

  // Readings put off in one tap are not the point here; the ends are.
  await page.getByRole('button', { name: 'No time left' }).click();
  await expect(page.getByRole('heading', { name: /not taken/ })).toHaveCount(0);
  await expect(close).toBeDisabled();
  // One stays, with its reason; a blank is no reason.
  await page.getByRole('button', { name: 'It stays, because' }).last().click();
  await expect(page.getByRole('button', { name: 'Leave it' })).toBeDisabled();
  await page.getByLabel(/Ladder in the attic: it stays, because/).fill('the roofer takes it at four');
  await page.getByRole('button', { name: 'Leave it' }).click();
  expect(await putBackAll(page)).toBe(loose - 1);
  await expect(close).toBeEnabled();
  await close.click();
  interface Detail {
    visits: { id: string; closedAt: string | null }[];
    looseEnds: { text: string; leftBecause: string | null; visitId: string }[];
    followUps: { visitId: string; reason: string }[];
  }
  const atTheOffice = async () => (await (await fetch(`${server.address}/api/systems/${system.id}`)).json()) as Detail;
  // The close is written on the device first, and sent a moment later, after all else.
  await expect
    .poll(async () => (await atTheOffice()).visits.find((v) => v.id === visitId)?.closedAt ?? null)
    .not.toBeNull();
  const detail = await atTheOffice();
  expect(detail.looseEnds.find((e) => e.text === 'Ladder in the attic')?.leftBecause).toBe(
    'the roofer takes it at four',
  );
  expect(detail.followUps.filter((f) => f.visitId === visitId).length).toBeGreaterThan(20);
  await page.goto('/rounds');
  await expect(page.getByRole('heading', { name: /put off, to come back to/ })).toBeVisible();
});

test('a reading put off is a follow-up with its day, and asks again next time', async ({ page, alone }) => {
  const { systemId } = await watchedDual(alone.address);
  await page.goto(`${alone.address}/systems/${systemId}`);
  await page.getByRole('button', { name: 'Or a cooling round' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'At the door' })).toBeVisible();
  await goToStop(page, 'cooling');
  await beginStop(page);
  await goToReading(page, 'cooling', /Superheat.*: Suction pressure/);
  await page.getByRole('button', { name: 'Put off' }).click();
  await page.getByRole('button', { name: 'Rain', exact: true }).click();
  if (isPhone(page)) await page.getByRole('button', { name: 'Reading before' }).click();
  await expect(page.getByText(/Put off: rain; due 2026-12-09/)).toBeVisible();
  await page.goto(`${alone.address}/rounds`);
  await expect(page.getByText('due 2026-12-09')).toBeVisible();
});

test('a jumper moved in the round is an event from one figure to another, and loose until it is put back', async ({
  page,
  alone,
}) => {
  const { systemId } = await watchedDual(alone.address);
  await startRound(page, systemId, 'heating', alone.address);
  await goToStop(page, 'heating');
  await beginStop(page);
  const moved = page.getByLabel('Moved the termination to');
  if (isPhone(page)) {
    const settings = page.getByRole('heading', { level: 1, name: 'Defrost settings' });
    await goToStop(page, 'heating?at=1');
    for (let steps = 0; steps < 20 && !(await settings.isVisible()); steps += 1) await toReadingAfter(page);
  }
  await page.getByRole('radio', { name: '50 °F', exact: true }).click();
  await page.getByRole('radio', { name: '60 min', exact: true }).click();
  await moved.selectOption('70 °F');
  const plate = async () =>
    (
      (await (await fetch(`${alone.address}/api/systems/${systemId}`)).json()) as {
        plate: { defrostTerminationF?: number };
      }
    ).plate.defrostTerminationF;
  await expect(page.getByText(/loose: .*Jumper moved: termination from 50 to 70 °F/)).toBeVisible();
  await expect.poll(plate).toBe(70);
  await page.getByRole('button', { name: 'Put back', exact: true }).click();
  await expect(moved).toBeVisible();
  await expect.poll(plate).toBe(50);
});
