import { chromium, type Browser, type BrowserContext, type Page } from '@playwright/test';

/**
 * The first load in a real browser on a slow phone: when something is painted, when the Watch has its first row, when a digit
 * typed shows. Cold is a browser that was never here; warm one whose service worker has the app.
 */
const { ADDRESS = '', CHROMIUM = '/usr/bin/chromium', BENCH_RUNS = '5' } = process.env;
const RUNS = Number(BENCH_RUNS);

/** A phone of the lower half, on a poor line: 4 × slower, 1.6 Mbit/s, 150 ms. */
const CPU_RATE = 4;
const LINE = { offline: false, latency: 150, downloadThroughput: 1_600_000 / 8, uploadThroughput: 750_000 / 8 };

const newContext = (browser: Browser, serviceWorkers: 'allow' | 'block'): Promise<BrowserContext> =>
  browser.newContext({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    isMobile: true,
    baseURL: ADDRESS,
    serviceWorkers,
  });

interface SlowPage {
  readonly page: Page;
  /** Asks the page without the machinery of a test, which would cost it a tenth of a second. */
  readonly ask: (expression: string) => Promise<unknown>;
}

async function slowPage(context: BrowserContext): Promise<SlowPage> {
  const page = await context.newPage();
  const session = await context.newCDPSession(page);
  await session.send('Network.enable');
  await session.send('Network.emulateNetworkConditions', LINE);
  await session.send('Emulation.setCPUThrottlingRate', { rate: CPU_RATE });
  const ask = async (expression: string): Promise<unknown> =>
    (await session.send('Runtime.evaluate', { expression })).result.value as unknown;
  return { page, ask };
}

const firstPaint = (page: Page): Promise<number> =>
  page.evaluate(
    () =>
      new Promise<number>((resolve) => {
        new PerformanceObserver((list) => {
          const paint = list.getEntriesByName('first-contentful-paint')[0];
          if (paint) resolve(paint.startTime);
        }).observe({ type: 'paint', buffered: true });
      }),
  );

const sinceStart = (page: Page): Promise<number> => page.evaluate(() => performance.now());

/** Notes in the page itself when the first row is there: asking from outside again and again would slow it down. */
const NOTE_FIRST_ROW = `new MutationObserver((_, observer) => {
  if (!document.querySelector('[data-row]')) return;
  observer.disconnect();
  globalThis.firstRowAt = performance.now();
}).observe(document, { childList: true, subtree: true })`;

const BETWEEN_LOOKS_MS = 200;

async function watch({ page, ask }: SlowPage): Promise<Record<string, number>> {
  await page.addInitScript(NOTE_FIRST_ROW);
  await page.goto('/watch', { waitUntil: 'commit' });
  while ((await ask('typeof firstRowAt')) !== 'number') await page.waitForTimeout(BETWEEN_LOOKS_MS);
  const row = Number(await ask('firstRowAt'));
  return { 'first paint': await firstPaint(page), 'first row of the Watch': row };
}

async function typed(page: Page, path: string, label: string): Promise<number> {
  await page.goto(path, { waitUntil: 'commit' });
  const box = page.getByLabel(label, { exact: true });
  await box.fill('4', { timeout: 60_000 });
  return sinceStart(page);
}

const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? NaN;

async function measure(what: string, once: () => Promise<Record<string, number>>): Promise<void> {
  const all: Record<string, number[]> = {};
  for (let run = 0; run < RUNS; run += 1)
    for (const [name, ms] of Object.entries(await once())) (all[name] ??= []).push(ms);
  for (const [name, values] of Object.entries(all)) {
    const [low, high] = [Math.min(...values), Math.max(...values)];
    console.log(
      `${what}, ${name}: ${(median(values) / 1000).toFixed(2)} s (${(low / 1000).toFixed(2)} to ${(high / 1000).toFixed(2)})`,
    );
  }
}

/** What crosses the line for the first screen, by kind. */
async function transferred(browser: Browser): Promise<void> {
  const context = await newContext(browser, 'block');
  const page = await context.newPage();
  await page.goto('/watch');
  await page.locator('[data-row]').first().waitFor();
  const files = await page.evaluate(() =>
    performance
      .getEntriesByType('resource')
      .filter((e): e is PerformanceResourceTiming => e instanceof PerformanceResourceTiming)
      .map((e) => ({ name: new URL(e.name).pathname, bytes: e.encodedBodySize })),
  );
  const sum = (end: string) => files.filter((f) => f.name.endsWith(end)).reduce((total, f) => total + f.bytes, 0);
  const html = await (await fetch(`${ADDRESS}/`)).text();
  const first = [...html.matchAll(/(?:src|href)="(\/assets\/[^"]+\.js)"/g)].map((m) => m[1]);
  const shell = files.filter((f) => first.includes(f.name)).reduce((total, f) => total + f.bytes, 0);
  console.log(
    `JavaScript named by the page itself: ${Math.round(shell / 1000)} kB; with the Watch, on the line: ${Math.round(sum('.js') / 1000)} kB`,
  );
  console.log(`styles ${Math.round(sum('.css') / 1000)} kB, fonts ${Math.round(sum('.woff2') / 1000)} kB`);
  await context.close();
}

/** Drawing a whole machine's threads anew, from its table to its loom: the tap to the next frame after it. */
async function loom(browser: Browser): Promise<void> {
  const { rows } = (await (await fetch(`${ADDRESS}/api/watch?limit=50`)).json()) as { rows: { systemId: string }[] };
  const context = await newContext(browser, 'block');
  const quick = await context.newPage();
  let most = { systemId: '', strands: 0 };
  for (const systemId of new Set(rows.slice(0, 12).map((row) => row.systemId))) {
    await quick.goto(`/systems/${systemId}?as=table`);
    await quick.getByRole('button', { name: 'As a loom' }).waitFor();
    const strands = await quick.locator('tbody tr th').count();
    if (strands > most.strands) most = { systemId, strands };
  }
  const { page } = await slowPage(context);
  await page.goto(`/systems/${most.systemId}?as=table`);
  await measure(`a loom of ${most.strands} threads`, async () => {
    const asLoom = page.getByRole('button', { name: 'As a loom' });
    await asLoom.waitFor();
    // As text: what a bundler puts round named functions is not there in the page.
    const drawn = await page.evaluate<number>(`new Promise((resolve) => {
      const before = performance.now();
      [...document.querySelectorAll('button')].find((b) => b.textContent === 'As a loom').click();
      const look = () =>
        document.querySelectorAll('main ol svg path').length > 100
          ? requestAnimationFrame(() => resolve(performance.now() - before))
          : requestAnimationFrame(look);
      look();
    })`);
    await page.getByRole('button', { name: 'As a table' }).click();
    return { drawn };
  });
  await context.close();
}

const browser = await chromium.launch({ executablePath: CHROMIUM, args: ['--no-sandbox', '--disable-gpu'] });
try {
  await transferred(browser);
  await loom(browser);
  await measure('a bare page, cold', async () => {
    const context = await newContext(browser, 'block');
    const { page } = await slowPage(context);
    await page.goto('/healthz', { waitUntil: 'commit' });
    const paint = await firstPaint(page);
    await context.close();
    return { 'first paint': paint };
  });
  await measure('cold', async () => {
    const context = await newContext(browser, 'block');
    const result = await watch(await slowPage(context));
    await context.close();
    const other = await newContext(browser, 'block');
    const digit = await typed((await slowPage(other)).page, '/systems/new', 'Compressor RLA');
    await other.close();
    return { ...result, 'first digit on a plate': digit };
  });
  const context = await newContext(browser, 'allow');
  const first = await context.newPage();
  await first.goto('/watch');
  await first.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await first.waitForTimeout(3000);
  await first.close();
  await measure('from the service worker', async () => {
    const slow = await slowPage(context);
    const result = await watch(slow);
    const digit = await typed(slow.page, '/systems/new', 'Compressor RLA');
    await slow.page.close();
    return { ...result, 'first digit on a plate': digit };
  });
} finally {
  await browser.close();
}
