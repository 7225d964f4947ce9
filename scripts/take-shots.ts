import { chromium, type Browser, type Page } from '@playwright/test';

/** Takes the pictures of docs/screenshots from the app at ADDRESS. */
const { ADDRESS = '', CHROMIUM = '/usr/bin/chromium' } = process.env;
const NOW = new Date('2026-11-25T15:00:00Z');

interface Row {
  systemId: string;
  componentId: string;
  kind: string;
  point: string;
  slot: string;
}

async function open(browser: Browser, size: 'wide' | 'phone', theme: 'day' | 'attic'): Promise<Page> {
  const phone = size === 'phone';
  const context = await browser.newContext({
    viewport: phone ? { width: 390, height: 844 } : { width: 1280, height: 800 },
    hasTouch: phone,
    isMobile: phone,
    serviceWorkers: 'block',
    baseURL: ADDRESS,
  });
  await context.addInitScript((t) => localStorage.setItem('yarnix-theme', t), theme);
  const page = await context.newPage();
  await page.clock.setFixedTime(NOW);
  return page;
}

async function shoot(page: Page, name: string): Promise<void> {
  await page.evaluate(() => document.fonts.ready);
  await page.waitForTimeout(400);
  await page.screenshot({ path: `docs/screenshots/${name}.png` });
}

async function visit(page: Page, path: string, name: string): Promise<void> {
  await page.goto(path);
  await page.getByRole('heading', { level: 1 }).first().waitFor();
  await shoot(page, name);
}

async function startRound(page: Page, systemId: string): Promise<string> {
  await page.goto(`/systems/${systemId}`);
  await page
    .getByRole('button', { name: 'Start a round' })
    .or(page.getByRole('link', { name: 'Go on with the round' }))
    .click();
  await page.getByRole('heading', { level: 1, name: 'Running' }).waitFor();
  return page.url().replace(/\/running.*/, '');
}

async function type(page: Page, values: readonly string[]): Promise<void> {
  for (const value of values) {
    await page.keyboard.type(value);
    await page.keyboard.press('Enter');
  }
}

async function atTheDesk(page: Page, row: Row): Promise<void> {
  const thread = `/systems/${row.systemId}/threads/${row.componentId}/${row.kind}/${row.point}`;
  await visit(page, '/watch', 'watch');
  await visit(page, '/systems?sort=standing:desc', 'systems');
  await visit(page, `/systems/${row.systemId}`, 'system');
  await visit(page, thread, 'thread');
  await page.goto('/systems/new');
  await page.getByLabel('Dual, or the compressor’s single').fill('45/5 MFD 440V ±6%');
  await page.getByLabel('Compressor RLA').fill('19.9');
  await shoot(page, 'new-system');
  const round = await startRound(page, row.systemId);
  await page.getByLabel('Outdoor air').fill('54');
  await page.getByRole('textbox', { name: /Line volts/ }).focus();
  await type(page, ['241', '15.4', '13.6', '7.1']);
  await page.keyboard.type('1.24');
  await shoot(page, 'round-running');
  await page.goto(`${round}/power-off`);
  await page.getByRole('radio', { name: 'Sound' }).click();
  await page.getByRole('textbox', { name: /Capacitance, HERM, bench/ }).focus();
  await page.keyboard.type('41.2');
  await page.getByRole('textbox', { name: /Capacitance, HERM, bench/ }).scrollIntoViewIfNeeded();
  await shoot(page, 'round-power-off');
  await page.keyboard.press('Enter');
  await visit(page, `${round}/close`, 'close');
}

async function inTheHand(page: Page, row: Row): Promise<void> {
  await visit(page, '/watch', 'watch-phone');
  await visit(page, `/systems/${row.systemId}`, 'system-phone');
  const round = await startRound(page, row.systemId);
  await page.goto(`${round}/power-off?at=2`);
  const field = page.getByRole('textbox', { name: /Capacitance, HERM, bench/ });
  await field.fill('38.6');
  await shoot(page, 'round-phone');
  await field.fill('402');
  await shoot(page, 'question-phone');
  await field.fill('35.1');
  await page.getByRole('button', { name: 'Part replaced' }).click();
  await page.getByLabel('What the new label says').fill('40+5 µF 370 V');
  await shoot(page, 'replace-phone');
}

const browser = await chromium.launch({
  executablePath: CHROMIUM,
  args: ['--no-sandbox', '--disable-background-networking', '--disable-component-update'],
});
try {
  const { rows } = (await (await fetch(`${ADDRESS}/api/watch`)).json()) as { rows: Row[] };
  const duals = rows.filter((r) => r.slot === 'run-capacitor' && r.point === 'herm');
  const [first, second] = [duals[0], duals[1] ?? duals[0]];
  if (!first || !second) throw new Error('the demo has no dual capacitor on the Watch');
  await atTheDesk(await open(browser, 'wide', 'day'), first);
  const attic = await open(browser, 'wide', 'attic');
  const thread = `/systems/${second.systemId}/threads/${second.componentId}/${second.kind}/${second.point}`;
  await visit(attic, thread, 'thread-attic');
  await inTheHand(await open(browser, 'phone', 'attic'), second);
} finally {
  await browser.close();
}
