import { expect, test as base, type Page } from '@playwright/test';
import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { freePort } from '../../scripts/lib/cluster.mjs';
import { startServer, type RunningServer } from '../../scripts/lib/server.mjs';

export const DEMO_TEMPLATE = 'yarnix_demo_template';

/** The moment all journeys start at, in the browser as in the demo's history. */
const NOW = new Date('2026-11-25T15:00:00Z');

export function urlOf(database: string): string {
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

async function ownServer(): Promise<OwnServer> {
  const databaseUrl = urlOf(await copyDemo());
  const port = await freePort();
  const start = () => startServer({ databaseUrl, port, stdio: 'ignore', env: { LOG_LEVEL: 'silent' } });
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
  /** A server for this test alone. */
  alone: OwnServer;
}

export const test = base.extend<TestFixtures, WorkerFixtures>({
  server: [
    // eslint-disable-next-line no-empty-pattern -- Playwright reads the fixtures a fixture needs from this pattern
    async ({}, use) => {
      const server = await ownServer();
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
  baseURL: async ({ server }, use) => use(server.address),
  page: async ({ page }, use) => {
    await page.clock.install({ time: NOW });
    const errors: string[] = [];
    page.on('pageerror', (error) => errors.push(error.message));
    await use(page);
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
}

/** The rows of the Watch, as the server has them. */
export async function watchRows(address: string): Promise<KnownRow[]> {
  const page = (await (await fetch(`${address}/api/watch?limit=100`)).json()) as { rows: KnownRow[] };
  return page.rows;
}

/** A system of the demo with a dual capacitor on the Watch. */
export async function watchedDual(address: string): Promise<KnownRow> {
  const row = (await watchRows(address)).find((r) => r.slot === 'run-capacitor' && r.point === 'herm');
  if (!row) throw new Error('the demo has no dual capacitor on the Watch');
  return row;
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

/** Starts a round on a system, or goes on with the one under way. */
export async function startRound(page: Page, systemId: string): Promise<void> {
  await page.goto(`/systems/${systemId}`);
  await page
    .getByRole('button', { name: 'Start a round' })
    .or(page.getByRole('link', { name: 'Go on with the round' }))
    .click();
  await expect(page.getByRole('heading', { level: 1, name: 'Running' })).toBeVisible();
}

/** Enters outdoor air and stands at the first field. */
export async function beginRunning(page: Page, outdoor: string): Promise<void> {
  if (isPhone(page)) {
    await enter(page, outdoor);
    await next(page);
  } else {
    await page.getByLabel('Outdoor air').fill(outdoor);
    await page.getByRole('textbox', { name: /Line volts/ }).focus();
  }
  await expect(page.getByRole('textbox', { name: /Line volts/ })).toBeVisible();
}
