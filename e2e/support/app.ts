import { expect, test as base, type Locator, type Page } from '@playwright/test';
import { randomUUID } from 'node:crypto';
import { HEAT_PUMP_PLATE } from '@yarnix/core/testing';
import pg from 'pg';
import { freePort } from '../../scripts/lib/cluster.mjs';
import { DEMO_TEMPLATE } from '../../scripts/lib/demo-template.mjs';
import { startServer, type RunningServer } from '../../scripts/lib/server.mjs';
import { makeSystem, type OwnSystem } from './system.ts';
import { watchTraffic } from './traffic.ts';

/** The moment all journeys start at, in the browser as in the demo's history. */
export const NOW = new Date('2026-11-25T15:00:00Z');

function urlOf(database: string): string {
  const url = new URL(process.env.TEST_ADMIN_URL ?? '');
  url.pathname = `/${database}`;
  return url.toString();
}

async function copyDemo(): Promise<string> {
  const database = `yarnix_journey_${randomUUID().slice(0, 8)}`;
  const client = new pg.Client(process.env.TEST_ADMIN_URL);
  await client.connect();
  try {
    // A template can be copied by one at a time.
    await client.query('select pg_advisory_lock(4871)');
    await client.query(`create database "${database}" template "${DEMO_TEMPLATE}"`);
  } finally {
    await client.end();
  }
  return database;
}

/** A server of one's own that can be stopped and started again on the same address. */
export interface OwnServer {
  readonly address: string;
  stop(): Promise<void>;
  start(): Promise<void>;
}

/** A server of the demo firm at a moment, and in a time zone where that is another than the demo's. */
export async function ownServer({ now = NOW, zone }: { now?: Date; zone?: string } = {}): Promise<OwnServer> {
  const databaseUrl = urlOf(await copyDemo());
  if (zone !== undefined) {
    const client = new pg.Client(databaseUrl);
    await client.connect();
    await client.query('update firms set zone = $1', [zone]).finally(() => client.end());
  }
  const port = await freePort();
  const began = Date.now();
  // The server's day is the browser's, whatever day the journeys are run on; a server started again does not go back.
  const start = () =>
    startServer({
      databaseUrl,
      port,
      stdio: 'ignore',
      env: {
        LOG_LEVEL: 'silent',
        PROBE_SPEED: '100',
        // Giving way to the other journeys and whatever else runs, what is learned might never be.
        REFIT_PRIORITY: '0',
        CLOCK_FROM: new Date(now.getTime() + Date.now() - began).toISOString(),
      },
    });
  let running: RunningServer = await start();
  return {
    address: `http://127.0.0.1:${port}`,
    stop: () => running.stop(),
    start: async () => {
      running = await start();
    },
  };
}

interface WorkerFixtures {
  server: OwnServer;
}
interface TestFixtures {
  /** A heat pump for this test alone, on the server of its worker. */
  system: OwnSystem;
  /** A server for this test alone. */
  alone: OwnServer;
}

export const test = base.extend<TestFixtures, WorkerFixtures>({
  server: [
    // eslint-disable-next-line no-empty-pattern -- Playwright reads the fixtures a fixture needs from this pattern
    async ({}, use) => {
      const server = await ownServer();
      await watchRows(server.address);
      await use(server);
      await server.stop();
    },
    { scope: 'worker' },
  ],
  // eslint-disable-next-line no-empty-pattern -- as above
  alone: async ({}, use) => {
    const server = await ownServer();
    await use(server);
    await server.stop();
  },
  system: async ({ server }, use) =>
    use(await makeSystem(server.address, 'split-heat-pump', HEAT_PUMP_PLATE, `${randomUUID().slice(0, 8)} Own Yard`)),
  baseURL: async ({ server }, use) => use(server.address),
  page: async ({ page }, use, info) => {
    await page.clock.install({ time: NOW });
    const errors: string[] = [];
    page.on('pageerror', (error) => errors.push(error.message));
    const traffic = watchTraffic(page);
    await use(page);
    if (info.status !== info.expectedStatus) console.log(traffic());
    expect(errors).toEqual([]);
  },
});

export { expect };

export interface KnownRow {
  systemId: string;
  componentId: string;
  kind: string;
  point: string;
  slot: string;
  systemKind: string;
  rating: string | null;
}

const rowsAtStart = new Map<string, Promise<KnownRow[]>>();

/** The rows of the Watch of the demo, as they were before any journey on this server: what others do moves none of them. */
export function watchRows(address: string): Promise<KnownRow[]> {
  const known = rowsAtStart.get(address);
  if (known) return known;
  const rows = fetch(`${address}/api/watch?limit=100`)
    .then((reply) => reply.json() as Promise<{ rows: KnownRow[] }>)
    .then((page) => page.rows);
  rowsAtStart.set(address, rows);
  return rows;
}

/**
 * A heat pump of the demo with a dual capacitor on the Watch; another one for each number. On the shared server it is there to be
 * looked at: who changes something takes a system of its own, or a server.
 */
export async function watchedDual(address: string, number = 0): Promise<KnownRow> {
  const row = (await watchRows(address)).filter(
    (r) => r.slot === 'run-capacitor' && r.point === 'herm' && r.systemKind.endsWith('heat-pump'),
  )[number];
  if (!row) throw new Error('the demo has no dual capacitor on the Watch');
  return row;
}

/**
 * Waits until the page has nothing under way: all that was asked for is there, all that was done is kept and sent, and what is
 * drawn belongs to the address and stands still. The page itself says so.
 */
export async function atRest(page: Page): Promise<void> {
  // The device's copy of what the server said is written within a second, and shown by nothing: few wait for it.
  await page.waitForFunction(() => ['', 'copy'].includes(document.documentElement.dataset.busy ?? ''));
}

/** The same, and the device has the whole app and its copy of all the server said: from now on both do without a signal. */
export async function keptHere(page: Page): Promise<void> {
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await page.waitForFunction(() => document.documentElement.dataset.busy === undefined);
}

/**
 * Waits until everything has reached the office. A visit closed early sends each check it left out as a write of its own, some
 * forty in a row, and a server that has just started is slow with the first: this takes longer than what a screen shows.
 */
export async function allSent(page: Page): Promise<void> {
  await expect(page.getByText('All sent').first()).toBeVisible({ timeout: 60_000 });
}

/** Values of the readings of a system's latest visit, as the office has them. */
export async function readingsOf(address: string, systemId: string): Promise<(number | null)[]> {
  const detail = (await (await fetch(`${address}/api/systems/${systemId}`)).json()) as {
    visits: { id: string }[];
    readings: { visitId: string; value: number | null }[];
  };
  return detail.readings.filter((r) => r.visitId === detail.visits[0]?.id).map((r) => r.value);
}

/** Waits until what is drawn belongs to the address: the address changes first, the screen after it. */
export async function drawn(page: Page): Promise<void> {
  await page.waitForFunction(
    () => document.querySelector<HTMLElement>('main')?.dataset.at === location.pathname + location.search,
  );
}

export const isPhone = (page: Page): boolean => (page.viewportSize()?.width ?? 0) < 900;

/** Types a number the way this screen is used: by keyboard at a wide one, on the app's own pad on a phone. */
export async function enter(page: Page, text: string): Promise<void> {
  if (!isPhone(page)) {
    await page.keyboard.type(text);
    return;
  }
  const pad = page.getByRole('group', { name: 'Keypad' });
  for (const key of text) {
    const name = key === '.' ? 'Point' : key;
    await pad.getByRole('button', { name, exact: true }).tap();
  }
}

/** On to the next field, the way this screen is used. */
export async function next(page: Page): Promise<void> {
  if (isPhone(page)) await page.getByRole('button', { name: /^(Next|Begin)$/ }).tap();
  else await page.keyboard.press('Enter');
}

export type Season = 'cooling' | 'heating';

/** Starts a round on a system, or goes on with the one under way; ends at its first stop. `at`: another server than the shared one. */
export async function startRound(page: Page, systemId: string, season: Season = 'heating', at = ''): Promise<void> {
  await page.goto(`${at}/systems/${systemId}`);
  await page
    .getByRole('button', { name: new RegExp(`a ${season} round$`) })
    .or(page.getByRole('link', { name: 'Go on with the round' }))
    .click();
  await expect(page.getByRole('heading', { level: 1, name: /At the door|What the customer/ })).toBeVisible();
}

/** Goes to a stop of the round under way, at its head or at one of its readings. */
export async function goToStop(page: Page, stop: string): Promise<void> {
  // A link that was just followed is on its way until the round's own screen is loaded.
  await page.waitForURL(/\/rounds\/[^/]+\//);
  await page.goto(page.url().replace(/(\/rounds\/[^/]+)\/.*/, `$1/${stop}`));
  await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
}

/** On a phone, on to the reading after this one; a press before the last one is drawn would pass one over. */
export async function toReadingAfter(page: Page): Promise<void> {
  const here = page.url();
  await page.getByRole('button', { name: 'Reading after' }).click();
  await page.waitForURL((url) => url.href !== here);
  await drawn(page);
}

/** Goes to a stop's reading by the name of its field: straight to it at a wide screen, page after page on a phone. */
export async function goToReading(page: Page, stop: string, name: RegExp): Promise<Locator> {
  await goToStop(page, `${stop}?at=1`);
  const field = page.getByRole('textbox', { name });
  const after = page.getByRole('button', { name: 'Reading after' });
  for (let steps = 0; isPhone(page) && steps < 25; steps += 1) {
    await expect(after).toBeVisible();
    if (await field.isVisible()) break;
    await toReadingAfter(page);
  }
  // A screen that has just been drawn puts the focus where it thinks best; ours is to be the last word.
  await atRest(page);
  await field.focus();
  await expect(field).toBeFocused();
  return field;
}

/** Follows the stop's instructions and stands at its first reading. */
export async function beginStop(page: Page): Promise<void> {
  const begin = page.getByRole('button', { name: /^(Done, |Begin$)/ });
  if (isPhone(page) || (await begin.isVisible())) await begin.click();
}

/** Enters outdoor air and stands at the first field of the heat pump's heating stop. */
export async function beginRunning(page: Page, outdoor: string): Promise<void> {
  if (isPhone(page)) {
    await goToStop(page, 'look');
    await enter(page, outdoor);
    await next(page);
    await expect(page.getByRole('heading', { level: 1, name: /looked over/ })).toBeVisible();
  }
  await goToStop(page, 'heating');
  await beginStop(page);
  if (!isPhone(page)) {
    await page.getByLabel('Outdoor air', { exact: true }).fill(outdoor);
    await page.getByRole('textbox', { name: /Line volts/ }).focus();
  }
  await expect(page.getByRole('textbox', { name: /Line volts/ })).toBeVisible();
}

/** At the close: everything loose put back, everything missing put off, and the end. */
export async function closeRound(page: Page): Promise<void> {
  await expect(
    page
      .getByRole('heading', { level: 2, name: /still loose/ })
      .or(page.getByRole('button', { name: 'Close the round' }))
      .first(),
  ).toBeVisible();
  const noTime = page.getByRole('button', { name: 'No time left' });
  if (await noTime.isVisible()) await noTime.click();
  await putBackAll(page);
  // What was repaired and not read again is left so with a reason.
  for (const why of await page.getByLabel(/left unproved, because/).all()) await why.fill('dark by then');
  await expect(page.getByRole('button', { name: 'Close the round' })).toBeEnabled();
  await page.getByRole('button', { name: 'Close the round' }).click();
}

/** The buttons that put a loose end back, by what putting it back means. */
const PUT_BACK =
  /^(Thermostat not|Electric heat’s|Outdoor fan lead|Jumper moved|Sensor un|Probes in|Gauges on|Thermostat wire|Breaker off|Disconnect out|Outdoor panel|Indoor panel)/;

/** Puts back whatever is offered on this screen, one by one. */
export async function putBackAll(page: Page): Promise<number> {
  const buttons = page.getByRole('main').getByRole('button', { name: PUT_BACK });
  let count = 0;
  while ((await buttons.count()) > 0) {
    // More may still be opening while one is put back: what counts is that this one is gone.
    const name = (await buttons.first().textContent()) ?? '';
    const like = async () => (await buttons.allTextContents()).filter((text) => text === name).length;
    const before = await like();
    await buttons.first().click();
    await expect.poll(like, { intervals: [20, 40, 80, 160], message: `${name} put back` }).toBeLessThan(before);
    count += 1;
  }
  return count;
}
