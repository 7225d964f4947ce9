import { expect, type Locator, type Page } from '@playwright/test';
import { atRest, isPhone, putBackAll } from './app.ts';

/** What is typed where no probe reaches, by the label of its input. */
const TYPED: Readonly<Record<string, string>> = { 'Set point': '70', Seconds: '41', 'It took': '240' };
/** What is chosen where there is no usual entry, by the name of the choice. */
const CHOSEN = ['70 °F', '60 min', 'Temperature', 'None'] as const;

/** Listens until the value may be taken, and takes it. */
async function listen(page: Page, scope: Locator): Promise<void> {
  await scope.getByRole('button', { name: 'Listen' }).click();
  await page.getByRole('button', { name: /^Take (?!it$)/ }).click({ timeout: 20_000 });
  await expect(page.getByRole('button', { name: 'Stop listening' })).toHaveCount(0);
}

/** Fills in what probes do not: numbers by their label, choices by their usual answer, events all seen. */
async function fillTheRest(scope: Locator): Promise<void> {
  for (const input of await scope.getByRole('textbox').all()) {
    if ((await input.inputValue()) !== '') continue;
    const name = (await input.getAttribute('aria-label')) ?? '';
    const text = TYPED[name.split(': ').at(-1) ?? ''];
    if (text !== undefined) await input.fill(text);
  }
  for (const label of CHOSEN) {
    const choice = scope.getByRole('radio', { name: label, exact: true });
    if (await choice.isVisible()) await choice.click();
  }
  for (const event of ['Valve shifts', 'Outdoor fan stops', 'Compressor keeps running', 'Auxiliary heat on']) {
    const choice = scope.getByRole('button', { name: event, exact: true });
    if ((await choice.count()) > 0 && (await choice.getAttribute('aria-pressed')) === 'false') await choice.click();
  }
}

/** A screen answers within a frame or two: it is looked at often. */
const OFTEN = { intervals: [20, 20, 40, 80, 160] };

/** Takes one reading: as it should be where that is one tap, else from the probes, else typed and chosen. */
async function takeField(page: Page, scope: Locator): Promise<'usual' | 'entered'> {
  const usual = isPhone(page) ? page.locator('[data-usual]') : scope.locator('[data-usual]');
  if (await usual.isVisible()) {
    await usual.click();
    return 'usual';
  }
  const first = scope.getByRole('textbox').first();
  if (!isPhone(page) && (await first.isVisible())) await first.focus();
  if (await scope.getByRole('button', { name: 'Listen' }).isVisible()) await listen(page, scope);
  await fillTheRest(scope);
  return 'entered';
}

/** Where the round stands as it is drawn: address, focused input, readings taken, whether something is asked. */
const standing = (page: Page): Promise<string> =>
  page.evaluate(() =>
    JSON.stringify([
      document.querySelector<HTMLElement>('main')?.dataset.at,
      document.activeElement?.getAttribute('aria-label'),
      [...document.querySelectorAll('[data-status]')].map((e) => [
        e.getAttribute('data-place'),
        e.getAttribute('data-status'),
      ]),
      [...document.querySelectorAll('button')].some((b) => b.textContent === 'Keep it as typed'),
    ]),
  );

/** Presses on until a reading is left: once for each input that is still ahead; what is asked is confirmed. Every press shows. */
async function leaveField(page: Page, next: Locator, isLeft: () => Promise<boolean>): Promise<void> {
  const keep = page.getByRole('button', { name: 'Keep it as typed' });
  for (let presses = 0; presses < 9; presses += 1) {
    const before = await standing(page);
    if (await keep.isVisible()) await keep.click();
    else await next.click();
    await atRest(page);
    if (await isLeft()) return;
    expect(await standing(page), 'a press that shows nothing').not.toBe(before);
  }
}

async function walkStopWide(page: Page): Promise<void> {
  const begin = page.getByRole('button', { name: /^Done, / });
  if (await begin.isVisible()) await begin.click();
  const rows = page.locator('li[data-status]');
  const url = page.url();
  const places = await rows.evaluateAll((list) => list.map((e) => e.getAttribute('data-place') ?? ''));
  for (const place of places) {
    const row = page.locator(`li[data-place="${place}"]`);
    /** Nothing of the row is there once the last reading has led on to the next stop. */
    const says = (name: string) =>
      row.evaluateAll((list, attribute) => list[0]?.getAttribute(attribute) ?? 'gone', name);
    const isDone = async () => page.url() !== url || (await says('data-status')) === 'taken';
    if ((await says('data-optional')) === 'true' || (await isDone())) continue;
    const worked = row.getByRole('button', { name: 'Take it' });
    if (await worked.isVisible()) await worked.click();
    else if ((await takeField(page, row)) === 'entered') {
      const last = row.getByRole('textbox').last();
      if (await last.isVisible()) await last.focus();
      const pad = page.getByRole('group', { name: 'Keypad' }).getByRole('button', { name: 'Next' });
      const isLeft = async () =>
        (await isDone()) || !(await row.evaluateAll((list) => list.some((e) => e.contains(document.activeElement))));
      await leaveField(page, pad, isLeft);
    }
    await expect.poll(isDone, { ...OFTEN, message: `${place} taken` }).toBe(true);
    if (page.url() !== url) return;
  }
}

async function walkStopPhone(page: Page, last: string): Promise<void> {
  await atRest(page);
  const begin = page.getByRole('button', { name: /^(Done, |Begin)/ });
  await expect(begin.or(page.locator('[data-status]')).first()).toBeVisible();
  if (await begin.isVisible()) await begin.click();
  const stopOf = (url: string) => /rounds\/[^/]+\/([\w-]+)/.exec(url)?.[1];
  const here = stopOf(page.url());
  const next = page.getByRole('button', { name: /^(Next|Skip)$/ });
  for (let steps = 0; steps < 60 && stopOf(page.url()) === here; steps += 1) {
    await atRest(page);
    const tail = page.getByRole('button', { name: /To the next stop|to the next stop/ });
    const field = page.locator('[data-status]');
    await expect(tail.or(field).first()).toBeVisible();
    if (await tail.isVisible()) {
      await putBackAll(page);
      const before = page.url();
      await tail.click();
      await expect.poll(() => page.url(), OFTEN).not.toBe(before);
      continue;
    }
    const url = page.url();
    const worked = field.getByRole('button', { name: 'Take it' });
    if (await worked.isVisible()) await worked.click();
    else if ((await takeField(page, field)) === 'entered') {
      await leaveField(page, next, () => Promise.resolve(page.url() !== url));
    }
    await expect.poll(() => page.url(), { ...OFTEN, message: `stuck at ${url} (${last})` }).not.toBe(url);
  }
}

/** Says that the machine had run before the visit, so that readings count; asked about, since it is longer than the visit. */
async function ranBefore(page: Page): Promise<void> {
  const running = page.getByLabel('Running for');
  if (!(await running.isVisible()) || Number(await running.inputValue()) >= 12) return;
  await running.fill('12');
  await page.getByRole('button', { name: 'It ran before I came' }).click();
  await expect(running).toHaveValue('12');
}

/** Walks the whole round under way, stop after stop as planned, and ends at the close. */
export async function walkRound(page: Page, outdoor: string): Promise<string[]> {
  const walked: string[] = [];
  for (let stops = 0; stops < 14; stops += 1) {
    await atRest(page);
    if (page.url().includes('/close')) return walked;
    const heading = page.getByRole('heading', { level: 1 }).first();
    await expect(heading).toBeVisible();
    walked.push(/rounds\/[^/]+\/([\w-]+)/.exec(page.url())?.[1] ?? '');
    if (isPhone(page)) {
      const weather = page.getByRole('textbox', { name: 'Outdoor air, °F' });
      if (await weather.isVisible()) await weather.fill(outdoor);
      await ranBefore(page);
      await walkStopPhone(page, walked.at(-1) ?? '');
      continue;
    }
    await page.getByLabel('Outdoor air', { exact: true }).fill(outdoor);
    await ranBefore(page);
    const before = page.url();
    await walkStopWide(page);
    // The last reading of a stop leads on by itself.
    await atRest(page);
    if (page.url() !== before) continue;
    const restore = page.getByRole('heading', { name: 'Put back before you go on' });
    if (await restore.isVisible()) await putBackAll(page);
    const url = page.url();
    await page.getByRole('button', { name: /^To the (next stop|close)$/ }).click();
    await expect.poll(() => page.url(), OFTEN).not.toBe(url);
  }
  throw new Error(`the round does not come to its end: ${walked.join(', ')}`);
}
