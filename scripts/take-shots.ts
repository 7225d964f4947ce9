import { chromium, type Browser, type Locator, type Page } from '@playwright/test';

/** Takes the pictures of docs/screenshots from the app at ADDRESS. */
const { ADDRESS = '', CHROMIUM = '/usr/bin/chromium' } = process.env;
const NOW = new Date('2026-11-25T15:00:00Z');

interface Row {
  systemId: string;
  componentId: string;
  kind: string;
  point: string;
  slot: string;
  systemKind: string;
}

async function open(browser: Browser, size: 'wide' | 'phone', theme: 'day' | 'attic'): Promise<Page> {
  const phone = size === 'phone';
  const context = await browser.newContext({
    viewport: phone ? { width: 390, height: 844 } : { width: 1280, height: 800 },
    hasTouch: phone,
    isMobile: phone,
    serviceWorkers: 'block',
    baseURL: ADDRESS,
    // Eight in the morning there, as the demo's day begins.
    timezoneId: 'Etc/GMT+7',
  });
  await context.addInitScript((t) => localStorage.setItem('yarnix-theme', t), theme);
  const page = await context.newPage();
  await page.clock.install({ time: NOW });
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

type Season = 'cooling' | 'heating';

async function startRound(page: Page, systemId: string, season: Season): Promise<string> {
  await page.goto(`/systems/${systemId}`);
  await page
    .getByRole('button', { name: new RegExp(`a ${season} round$`) })
    .or(page.getByRole('link', { name: 'Go on with the round' }))
    .click();
  await page.getByRole('heading', { level: 1, name: /At the door|What the customer/ }).waitFor();
  return page.url().replace(/\/arrive.*/, '');
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
  await visit(page, '/week', 'week');
  await visit(page, '/week/days', 'days');
  await visit(page, `/systems/${row.systemId}`, 'system');
  await visit(page, thread, 'thread');
  await visit(page, '/meters', 'meters');
  await visit(page, '/bench/superheat?psig=118&line=52&target=8', 'bench');
  const round = await startRound(page, row.systemId, 'heating');
  await page.goto(`${round}/heating`);
  await page.getByRole('button', { name: /^Done/ }).click();
  await page.getByLabel('Outdoor air', { exact: true }).fill('44');
  await page.getByRole('textbox', { name: /Line volts/ }).focus();
  await type(page, ['241', '15.4', '13.6', '7.1']);
  await page.keyboard.type('1.24');
  await page.goto(`${round}/off-outdoor`);
  await page.getByRole('button', { name: /^Done/ }).click();
  await page.getByRole('textbox', { name: /Capacitance, HERM, bench/ }).focus();
  await page.keyboard.type('41.2');
  await page.getByRole('textbox', { name: /Capacitance, HERM, bench/ }).scrollIntoViewIfNeeded();
  await page.keyboard.press('Enter');
  await visit(page, `${round}/close`, 'close');
  await visit(page, `${round}/summary`, 'summary');
}

/** The report of a visit, as its owner reads it by a link. */
async function forTheOwner(page: Page, row: Row): Promise<void> {
  const { visits } = (await (await page.request.get(`/api/systems/${row.systemId}`)).json()) as {
    visits: { id: string; closedAt: string | null }[];
  };
  const closed = visits.find(({ closedAt }) => closedAt !== null);
  const link = await page.request.put(`/api/visits/${closed?.id}/report-link`, { data: {} });
  await visit(page, ((await link.json()) as { path: string }).path, 'report');
}

/** From reading to reading until something is on the screen. */
async function onTo(page: Page, wanted: Locator): Promise<void> {
  const after = page.getByRole('button', { name: 'Reading after' });
  for (let steps = 0; steps < 25; steps += 1) {
    await after.waitFor();
    if (await wanted.isVisible()) return;
    await after.click();
    await page.waitForTimeout(60);
  }
}

async function inTheHand(page: Page, row: Row): Promise<void> {
  await visit(page, '/watch', 'watch-phone');
  await visit(page, '/day', 'day-phone');
  const round = await startRound(page, row.systemId, 'cooling');
  await page.goto(`${round}/off-outdoor?at=1`);
  const field = page.getByRole('textbox', { name: /Capacitance, HERM, bench/ });
  await onTo(page, field);
  await field.fill('38.6');
  await shoot(page, 'round-phone');
  await field.fill('35.1');
  await page.goto(`${round}/cooling`);
  await page.getByLabel('Running for').fill('14');
  await page.getByRole('button', { name: 'It ran before I came' }).click();
  await page.getByRole('button', { name: /^Done/ }).click();
  await onTo(page, page.getByRole('heading', { level: 1, name: /Superheat/ }));
  await page.getByRole('button', { name: 'Listen' }).click();
  await page.getByRole('button', { name: /^Take / }).waitFor();
  await shoot(page, 'listen-phone');
}

/** The server fails on one reading of a round: what waits then, and why. */
async function whatWaits(page: Page, row: Row): Promise<void> {
  await page.route('**/api/readings/*', (route) =>
    (route.request().postDataJSON() as { inputs: { volts?: number } }).inputs.volts === 243
      ? route.fulfill({ status: 500, body: '' })
      : route.continue(),
  );
  const round = await startRound(page, row.systemId, 'heating');
  await page.goto(`${round}/heating?at=1`);
  const begin = page.getByRole('button', { name: /^Done/ }).first();
  const volts = page.getByRole('textbox', { name: /Line volts/ });
  await begin.or(volts).first().waitFor();
  if (await begin.isVisible()) await begin.click();
  await volts.waitFor();
  await volts.fill('243');
  await page.getByRole('button', { name: 'Next' }).click();
  await page.getByRole('link', { name: '1 not taken' }).first().click();
  await visit(page, '/waiting', 'waiting-phone');
}

/** A call on a system without a visit under way: begun at the desk, gone on with by phone. */
async function onACall(page: Page, phone: Page, systemId: string): Promise<void> {
  const test = page.getByRole('region', { name: 'Next test' });
  await page.goto(`/systems/${systemId}/find`);
  await page.getByRole('button', { name: 'Blower never stops' }).click();
  await page.getByRole('button', { name: 'Find the cause' }).click();
  await test.getByRole('button', { name: 'Blower', exact: true }).click();
  await test.getByRole('button', { name: 'Take it', exact: true }).click();
  await test.getByRole('heading', { name: /R to G in the cable/ }).waitFor();
  await page.keyboard.type('OL');
  await page.keyboard.press('Enter');
  await test.getByRole('heading', { name: /normally open contact/ }).waitFor();
  await page.keyboard.type('0.2');
  await shoot(page, 'find');
  await page.getByText('All sent').first().waitFor();
  await phone.goto(page.url());
  await phone.getByRole('region', { name: 'Next test' }).waitFor();
  await shoot(phone, 'find-phone');
}

/** An old book of one system, checked row by row. */
async function pastComesIn(page: Page, systemId: string): Promise<void> {
  const system = (await (await fetch(`${ADDRESS}/api/systems/${systemId}`)).json()) as {
    address: string;
    installedOn: string;
  };
  const { address } = system;
  const year = Number(system.installedOn.slice(0, 4)) + 1;
  const book = [
    'Service Date,Address,OD temp (C),Line volts,Cap HERM (uF),Remarks',
    `04/14/${year},${address},20,241,45.1,`,
    `10/09/${year},${address},12,240,44.9,`,
    `10/11/${year + 1},${address},11,242,451,new meter`,
    `04/31/${year + 2},${address},21,240,44.8,`,
    `05/01/${year + 2},1 Nowhere Lane,30,240,44.6,not ours?`,
  ].join('\n');
  await page.goto('/imports');
  await page
    .getByLabel('CSV file')
    .setInputFiles({ name: 'old book.csv', mimeType: 'text/csv', buffer: Buffer.from(book) });
  await page.getByRole('button', { name: 'Check every row' }).click();
  await page.getByRole('region', { name: 'Rows' }).getByRole('listitem').first().waitFor();
  await shoot(page, 'past');
}

const browser = await chromium.launch({
  executablePath: CHROMIUM,
  args: ['--no-sandbox', '--disable-background-networking', '--disable-component-update'],
});
try {
  const { rows } = (await (await fetch(`${ADDRESS}/api/watch?limit=100`)).json()) as { rows: Row[] };
  const duals = rows.filter(
    (r) => r.slot === 'run-capacitor' && r.point === 'herm' && r.systemKind.endsWith('heat-pump'),
  );
  const [first, second] = [duals[0], duals[1] ?? duals[0]];
  if (!first || !second) throw new Error('the demo has no dual capacitor on the Watch');
  await atTheDesk(await open(browser, 'wide', 'day'), first);
  await forTheOwner(await open(browser, 'wide', 'day'), first);
  const attic = await open(browser, 'wide', 'attic');
  const thread = `/systems/${second.systemId}/threads/${second.componentId}/${second.kind}/${second.point}`;
  await visit(attic, thread, 'thread-attic');
  await inTheHand(await open(browser, 'phone', 'attic'), second);
  // A heat pump without a round under way.
  const third = rows.find(
    (r) => r.systemKind === 'split-heat-pump' && r.systemId !== first.systemId && r.systemId !== second.systemId,
  );
  if (!third) throw new Error('the demo has too few heat pumps on the Watch');
  await whatWaits(await open(browser, 'phone', 'day'), third);
  await pastComesIn(await open(browser, 'wide', 'day'), third.systemId);
  const used = [first, second, third].map(({ systemId }) => systemId);
  const fourth = rows.find((r) => r.systemKind === 'split-heat-pump' && !used.includes(r.systemId));
  if (!fourth) throw new Error('the demo has too few heat pumps on the Watch');
  await onACall(await open(browser, 'wide', 'day'), await open(browser, 'phone', 'day'), fourth.systemId);
} finally {
  await browser.close();
}
