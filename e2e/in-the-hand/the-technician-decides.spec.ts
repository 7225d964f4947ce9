import { beginRunning, enter, expect, isPhone, next, startRound, test, watchedDual } from '../support/app.ts';

test('a wrong verdict is overruled with a reason: both are kept, and the part follows', async ({ page, alone }) => {
  const { systemId } = await watchedDual(alone.address, 2);
  await startRound(page, systemId, 'heating', alone.address);
  await beginRunning(page, '52');
  await enter(page, '171');
  if (!isPhone(page)) await next(page);
  else await page.getByRole('button', { name: 'Next' }).tap();
  // On to the next reading; back to the one that was judged.
  const volts = page.getByRole('textbox', { name: /Line volts/ });
  if (isPhone(page)) await page.getByRole('button', { name: 'Reading before' }).click();
  else await volts.focus();
  await expect(page.getByText(/below 180/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Overrule', exact: true }).click();
  const form = page.getByRole('form', { name: 'Overrule the verdict' });
  await expect(form.getByText('It says act. You say')).toBeVisible();
  const decide = form.getByRole('button', { name: 'Overrule' });
  await form.getByRole('button', { name: 'Sound' }).click();
  await expect(decide).toBeDisabled();
  await form.getByLabel('Because').fill('read on the wrong side of the disconnect');
  await decide.click();
  await expect(page.getByText(/sound in place of act: read on the wrong side/).first()).toBeVisible();
  const ruling = async () =>
    (
      (await (await fetch(`${alone.address}/api/systems/${systemId}`)).json()) as {
        readings: { kind: string; value: number | null; ruling: { standing: string } | null }[];
      }
    ).readings.find((r) => r.kind === 'line-volts' && r.value === 171)?.ruling?.standing ?? null;
  await expect.poll(ruling).toBe('sound');
  await page.getByRole('button', { name: 'No longer overruled' }).click();
  await expect(page.getByText(/in place of act/)).toHaveCount(0);
  await expect.poll(ruling).toBeNull();

  // A note stays beside the figure, which stays as it was read.
  if (!isPhone(page)) await volts.focus();
  await page.getByRole('button', { name: 'Note', exact: true }).click();
  await page.getByRole('textbox', { name: 'Note on this reading' }).fill('disconnect was half out');
  await page.getByRole('button', { name: 'Note it', exact: true }).click();
  await expect(page.getByText('“disconnect was half out”')).toBeVisible();
  const noted = async () =>
    (
      (await (await fetch(`${alone.address}/api/systems/${systemId}`)).json()) as {
        readings: { kind: string; value: number | null; note: string | null; superseded: boolean }[];
      }
    ).readings
      .filter((r) => r.kind === 'line-volts' && r.value === 171)
      .map((r) => [r.superseded, r.note]);
  await expect.poll(noted).toEqual(expect.arrayContaining([[false, 'disconnect was half out']]));
});

test('from the office: a verdict overruled as nothing found, and one capacitor judged by another school', async ({
  page,
  alone,
}) => {
  const row = await watchedDual(alone.address, 2);
  await page.goto(`${alone.address}/systems/${row.systemId}/threads/${row.componentId}/${row.kind}/${row.point}`);
  await page.getByRole('button', { name: 'Overrule', exact: true }).click();
  await page.getByRole('button', { name: 'Nothing found, part left in' }).click();
  await page.getByRole('form', { name: 'Overrule the verdict' }).getByRole('button', { name: 'Overrule' }).click();
  await expect(page.getByText(/sound in place of .*nothing found, part left in/).first()).toBeVisible();
  const standing = async () =>
    (
      (await (await fetch(`${alone.address}/api/systems/${row.systemId}`)).json()) as {
        components: { id: string; plate: { schools?: Record<string, unknown> } }[];
      }
    ).components.find((c) => c.id === row.componentId)?.plate.schools?.['capacitor-tolerance'] ?? null;
  await page.getByRole('button', { name: 'No longer overruled' }).click();
  await expect(page.getByText(/in place of/)).toHaveCount(0);

  await page.getByRole('button', { name: 'Judge this part in its own way' }).click();
  const tolerance = page.getByLabel('How far under its rating a run capacitor may read');
  await tolerance.selectOption({ label: '10 % either way' });
  await expect.poll(standing).toBe('wide');
  await expect(page.getByText(/\(−10\s%\)/).first()).toBeVisible();
  await expect(
    page.getByText('Judged in its own way: how far under its rating a run capacitor may read.'),
  ).toBeVisible();
  await tolerance.selectOption({ label: 'As the firm has it: As printed on the label' });
  await expect.poll(standing).toBeNull();
});
