import { beginRunning, expect, goToReading, goToStop, next, startRound, test, watchedDual } from '../support/app.ts';

test('a repair is proved by what was wrong before it: owed first, then read again, both figures kept', async ({
  page,
  alone,
}) => {
  const { systemId } = await watchedDual(alone.address, 2);
  interface Kept {
    componentId: string;
    kind: string;
    point: string;
    value: number | null;
    superseded: boolean;
  }
  const drops = async () =>
    ((await (await fetch(`${alone.address}/api/systems/${systemId}`)).json()) as { readings: Kept[] }).readings.filter(
      (r) => r.kind === 'contact-drop' && !r.superseded,
    );
  const kept = async () => (await drops()).map((r) => r.value).slice(-2);
  await startRound(page, systemId, 'heating', alone.address);
  await beginRunning(page, '52');
  const drop = /Volts across contactor/;
  await (await goToReading(page, 'heating', drop)).fill('3.1');
  await expect(page.getByText('Act', { exact: true }).first()).toBeVisible();
  await next(page);

  await expect.poll(async () => (await kept()).at(-1)).toBe(3.1);

  // The contacts are dressed; the close owes the proof of it.
  await goToStop(page, 'close');
  await page.getByRole('button', { name: 'Contacts dressed or tightened' }).click();
  await expect(page.getByRole('heading', { name: '1 repair still to be proved' })).toBeVisible();
  await expect(page.getByText(/3\.1\sV before/)).toBeVisible();
  await page.getByRole('link', { name: 'Read it again' }).first().click();
  await expect(page.getByText(/Read it again: contacts dressed or tightened since/).first()).toBeVisible();

  await (await goToReading(page, 'heating', drop)).fill('0.1');
  await next(page);
  await expect.poll(kept).toEqual([3.1, 0.1]);
  await goToStop(page, 'close');
  await expect(page.getByRole('heading', { name: 'Repaired, and read again' })).toBeVisible();
  await expect(page.getByText(/3\.1\sV before, 0\.1\sV after/)).toBeVisible();
  await expect(page.getByText('Contacts dressed or tightened: proved')).toBeVisible();

  // Both stay in the record, and the customer sees both.
  await expect.poll(kept).toEqual([3.1, 0.1]);
  await page.getByRole('link', { name: 'Show the customer' }).click();
  await expect(page.getByRole('heading', { name: 'Before and after' })).toBeVisible();
  await expect(page.getByText(/3\.1\sV before, 0\.1\sV after/)).toBeVisible();

  // The thread shows its step with its cause.
  const read = (await drops()).at(-1);
  await page.goto(`${alone.address}/systems/${systemId}/threads/${read?.componentId}/contact-drop/${read?.point}`);
  await expect(page.getByText(/Contacts dressed or tightened, November 25, 2026/)).toBeVisible();
  await expect(page.getByText(/^Proved\. 3\.1\sV before, 0\.1\sV after, −3/)).toBeVisible();
  await expect(page.getByRole('cell', { name: /Contacts dressed or tightened: proved/ })).toBeVisible();
});
