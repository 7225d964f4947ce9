import { expect, isPhone, test } from '../support/app.ts';

interface Detail {
  readonly components: readonly { readonly id: string; readonly standing: string }[];
}

test('a school is changed after seeing what it changes, and taken back: who, when, from what to what', async ({
  page,
  alone,
}) => {
  test.setTimeout(400_000);
  const detail = async (id: string) => (await (await fetch(`${alone.address}/api/systems/${id}`)).json()) as Detail;
  await page.goto(`${alone.address}/watch`);
  await page.getByRole('link', { name: 'Settings' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'The firm’s schools' })).toBeVisible();
  await page.getByRole('radio', { name: /^5 %, whatever is printed/ }).check();

  // Nonsense is told where it stands, and nothing can be asked or kept with it.
  await page.getByLabel('Cooling split, from').fill('sixteen');
  await expect(page.getByText(/Cooling split: from 5 to 35 °F/)).toBeVisible();
  if (isPhone(page)) await page.getByRole('link', { name: 'What would this change?' }).click();
  await expect(page.getByRole('button', { name: 'See what would change' })).toBeDisabled();
  // Left and come back to, what was chosen is still there.
  await page.reload();
  await expect(page.getByLabel('Cooling split, from')).toHaveValue('sixteen');
  await page.getByLabel('Cooling split, from').fill('15');

  const asked = page.waitForResponse((r) => r.url().includes('/api/schools/previews/') && r.ok());
  await page.getByRole('button', { name: 'See what would change' }).click();
  await asked;
  await expect(page.getByText(/\bparts would stand otherwise/)).toBeVisible({ timeout: 120_000 });
  const line = page.getByRole('list', { name: 'Parts that would stand otherwise' }).getByRole('listitem').first();
  await expect(line).toContainText(/(Sound|Watch) → .*(Watch|Act)/);
  const systemId = /systems\/([\w-]+)/.exec((await line.getByRole('link').getAttribute('href')) ?? '')?.[1] ?? '';
  const before = await detail(systemId);

  await page.getByRole('button', { name: 'Judge by these from now on' }).click();
  await expect(page.getByText('As printed on the label → 5 %, whatever is printed')).toBeVisible();
  const moved = async () => {
    const now = await detail(systemId);
    return now.components.filter((c) => before.components.find((b) => b.id === c.id)?.standing !== c.standing).length;
  };
  await expect.poll(moved, { timeout: 120_000 }).toBeGreaterThan(0);

  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByText(/taking a change back/)).toBeVisible();
  await expect(page.getByText('5 %, whatever is printed → As printed on the label')).toBeVisible();
  await expect(page.getByRole('radio', { name: /^As printed on the label/ })).toBeChecked();
  await expect.poll(moved, { timeout: 120_000 }).toBe(0);
});
