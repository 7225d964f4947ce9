import { jest } from '@jest/globals';
import type { Express } from 'express';
import { spawn, type ChildProcess } from 'node:child_process';
import type { Server } from 'node:http';
import { createServer, type AddressInfo } from 'node:net';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import request from 'supertest';
import { createApp } from '../app.ts';
import { connect } from '../database/connection.ts';
import { createLog } from '../log.ts';
import { makeSystem, openSuite, startVisit, type Suite } from '../testing/suite.ts';
import { cuttable } from './cuttable.ts';
import { writeMeanwhile, type Sent } from './writer.ts';

/** How often each fault strikes; `npm run faults` asks for more. */
const STRIKES = Number(process.env.FAULT_STRIKES ?? 3);
const WRITERS = 4;

jest.setTimeout(300_000 + STRIKES * 15_000);

let suite: Suite;
beforeAll(async () => {
  suite = await openSuite(() => new Date());
});
afterAll(() => suite.close());

/** Some systems, each with an open round that began just now. */
async function places(count: number) {
  return Promise.all(
    Array.from({ length: count }, async () => {
      const system = await makeSystem(suite.app);
      const visitId = await startVisit(suite.app, system.id, '2026-10-10T14:00:00.000Z');
      return { visitId, componentId: system.part('run-capacitor') };
    }),
  );
}

/** Nothing that was acknowledged is missing, nothing is there twice, and nothing that nobody sent. */
async function expectWhole(all: readonly Sent[]): Promise<{ acknowledged: number }> {
  const kept = all.flatMap((s) => [...s.kept]);
  const tried = new Set(all.flatMap((s) => [...s.tried]));
  const visits = (await suite.db('readings').select<{ id: string }[]>('id')).map((r) => r.id);
  const there = new Set(visits);
  expect(there.size).toBe(visits.length);
  expect(kept.filter((id) => !there.has(id))).toEqual([]);
  expect(kept.length).toBeGreaterThan(STRIKES);
  const answers = new Set(all.flatMap((s) => [...s.answers.keys()]));
  expect([...answers].filter((status) => ![0, 200, 503].includes(status))).toEqual([]);
  expect([...tried].length).toBeGreaterThanOrEqual(kept.length);
  return { acknowledged: kept.length };
}

const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const probe = createServer();
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as AddressInfo;
      probe.close(() => resolve(port));
    });
  });

const answers = async (address: string): Promise<boolean> =>
  fetch(`${address}/healthz`).then(
    (reply) => reply.ok,
    () => false,
  );

/** An app on a port of its own. */
async function listening(app: Express): Promise<{ address: string; close: () => void }> {
  const server = await new Promise<Server>((resolve) => {
    const made = app.listen(0, '127.0.0.1', () => resolve(made));
  });
  return {
    address: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    close: () => {
      server.closeAllConnections();
      server.close();
    },
  };
}

test(`a server killed ${STRIKES} times amid writes loses and doubles nothing that it has acknowledged`, async () => {
  const port = await freePort();
  const address = `http://127.0.0.1:${port}`;
  const start = (): ChildProcess =>
    spawn(process.execPath, ['--import', 'tsx', join(import.meta.dirname, '../main.ts')], {
      env: {
        ...process.env,
        NODE_OPTIONS: '',
        DATABASE_URL: suite.url,
        PORT: String(port),
        LOG_LEVEL: 'silent',
        AUTO_REFIT: 'off',
      },
      stdio: 'ignore',
    });
  const at = await places(WRITERS);
  let server = start();
  const up = async () => {
    while (!(await answers(address))) await sleep(50);
  };
  await up();
  const all = await writeMeanwhile(address, at, async (another) => {
    for (let strike = 0; strike < STRIKES; strike += 1) {
      await another();
      await sleep(400 + 137 * strike);
      server.kill('SIGKILL');
      await new Promise((resolve) => server.once('exit', resolve));
      server = start();
      await up();
    }
    await another();
  }).finally(() => server.kill('SIGKILL'));
  const { acknowledged } = await expectWhole(all);
  if (process.env.FAULT_STRIKES)
    console.log(`server killed: ${STRIKES} times, ${acknowledged} acknowledged, 0 lost, 0 doubled`);
});

test(`a database lost ${STRIKES} times: 503 with retry-after meanwhile, and it recovers by itself`, async () => {
  const line = await cuttable(suite.url);
  const db = connect(line.url, 6);
  const app = createApp({ db, log: createLog('silent'), now: () => new Date() });
  const { address, close } = await listening(app);
  const all = await writeMeanwhile(address, await places(WRITERS), async (another) => {
    for (let strike = 0; strike < STRIKES; strike += 1) {
      await another();
      await sleep(300 + 91 * strike);
      line.cut();
      await sleep(150);
      const refused = await request(app).get('/api/watch');
      expect([refused.status, refused.body.code, refused.headers['retry-after']]).toEqual([503, 'unavailable', '3']);
      expect((await request(app).get('/healthz')).status).toBe(503);
      line.mend();
      await request(app).get('/api/watch').expect(200);
    }
    await another();
  }).finally(async () => {
    close();
    await db.destroy();
    line.close();
  });
  const { acknowledged } = await expectWhole(all);
  if (process.env.FAULT_STRIKES)
    console.log(`database lost: ${STRIKES} times, ${acknowledged} acknowledged, 0 lost, 0 doubled`);
});

test('connections that the database ends one by one are replaced, and a write answers for itself', async () => {
  const { address, close } = await listening(suite.app);
  const other = connect(suite.url, 1);
  const all = await writeMeanwhile(address, await places(WRITERS), async (another) => {
    for (let strike = 0; strike < 4 * STRIKES; strike += 1) {
      await another();
      await sleep(60);
      // Its own workers (a vacuum that happens to be there) are not ours to end.
      await other.raw(`
        select pg_terminate_backend(pid) from pg_stat_activity
        where datname = current_database() and pid <> pg_backend_pid() and backend_type = 'client backend'`);
    }
  }).finally(async () => {
    close();
    await other.destroy();
  });
  await expectWhole(all);
});
