import { mkdtempSync, mkdirSync, writeFileSync } from 'node:fs';
import type { Server } from 'node:http';
import { connect, type AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brotliCompressSync } from 'node:zlib';
import request from 'supertest';
import { v7 } from 'uuid';
import { createApp } from '../app.ts';
import { createLog } from '../log.ts';
import { makeSystem, openSuite, systemBody, type MadeSystem, type Suite } from '../testing/suite.ts';

let suite: Suite;
let system: MadeSystem;
let app: Suite['app'];
const logged: string[] = [];
const LARGE_SCRIPT = `// ${'a script '.repeat(400)}`;
beforeAll(async () => {
  suite = await openSuite();
  system = await makeSystem(suite.app);
  const webDist = mkdtempSync(join(tmpdir(), 'yarnix-web-'));
  mkdirSync(join(webDist, 'assets'));
  writeFileSync(join(webDist, 'index.html'), '<title>app</title>');
  writeFileSync(join(webDist, 'assets/app-1.js'), '1');
  writeFileSync(join(webDist, 'assets/app-2.js'), LARGE_SCRIPT);
  writeFileSync(join(webDist, 'assets/app-2.js.br'), brotliCompressSync(LARGE_SCRIPT));
  app = createApp({
    db: suite.db,
    log: createLog('trace', { write: (line) => void logged.push(line) }),
    now: () => new Date('2026-10-10T18:00:00Z'),
    webDist,
    hosts: ['rounds.example'],
    limits: { atOnce: 3, aMinute: 5000 },
  });
});
afterAll(() => suite.close());

const visit = () => ({ systemId: system.id, startedAt: '2026-10-10T14:00:00.000Z' });
const put = () => request(app).put(`/api/visits/${v7()}`);

test('only the hosts it is meant for are served', async () => {
  expect((await request(app).get('/api/session').set('host', 'evil.example').expect(421)).body.code).toBe('wrong-host');
  await request(app).get('/api/session').set('host', 'rounds.example:4870').expect(200);
  await request(app).get('/api/session').set('host', 'localhost').expect(200);
});

test('what changes something comes from the app’s own pages', async () => {
  expect((await put().set('origin', 'http://evil.example').send(visit()).expect(403)).body.code).toBe('foreign-origin');
  await put().set('origin', 'null').send(visit()).expect(403);
  await put().set('sec-fetch-site', 'cross-site').send(visit()).expect(403);
  await request(app).post('/api/refits').set('origin', 'http://evil.example').expect(403);
  await put().set('host', 'localhost:4870').set('origin', 'http://localhost:4870').send(visit()).expect(200);
  await put().set('sec-fetch-site', 'same-origin').send(visit()).expect(200);
});

test('nothing of the API is kept by caches on the way', async () => {
  expect((await request(app).get('/api/session')).headers['cache-control']).toBe('no-store');
  expect((await request(app).get('/api/nothing')).headers['cache-control']).toBe('no-store');
});

test('a missing asset is missing, so that an old tab hears of the update; other addresses are the app', async () => {
  await request(app).get('/assets/app-1.js').expect(200);
  expect((await request(app).get('/assets/app-0.js').expect(404)).body.code).toBe('not-found');
  expect((await request(app).get('/systems/anything').expect(200)).text).toContain('app');
});

describe('a request that cannot be read is the client’s to put right', () => {
  test.each([
    ['broken escapes in the address', () => request(app).get('/api/systems/%ff'), 400],
    ['broken escapes in the query', () => request(app).get('/api/systems?search=%ff%fe'), 200],
    ['an encoding nobody knows', () => put().set('content-encoding', 'snappy').send(visit()), 415],
    [
      'a compression that is none',
      () => put().set('content-encoding', 'gzip').set('content-type', 'application/json').send('{"not": "gzip"}'),
      400,
    ],
    ['a charset nobody knows', () => put().set('content-type', 'application/json; charset=klingon').send('{}'), 415],
    ['no JSON', () => put().set('content-type', 'application/json').send('{"a":'), 400],
    ['another type', () => put().set('content-type', 'text/plain').send('hello'), 422],
    ['too much', () => put().send({ ...visit(), pad: 'x'.repeat(300_000) }), 413],
    ['NUL in text', () => put().send({ ...visit(), season: 'spring\u0000' }), 422],
    ['nested without end', () => put().set('content-type', 'application/json').send('['.repeat(90_000)), 400],
  ])('%s', async (_name, ask, status) => {
    const reply = await ask();
    expect(reply.status).toBe(status);
    if (status >= 400) expect(reply.headers['content-type']).toContain('application/problem+json');
  });

  test.each([
    ['NUL', 'Quo\u0000rumber'],
    ['half a surrogate pair', 'Quo\ud800rumber'],
    ['an escape character', 'Quo\u001brumber'],
  ])('%s in what is kept', async (_name, customerName) => {
    const body = { ...systemBody(), customerName };
    const reply = await request(app).put(`/api/systems/${v7()}`).send(body).expect(422);
    expect(reply.body.errors[0].path).toBe('customerName');
  });
});

describe('over a bare connection', () => {
  let server: Server;
  beforeAll(async () => {
    server = await new Promise<Server>((resolve) => {
      const made = app.listen(0, '127.0.0.1', () => resolve(made));
    });
  });
  afterAll(() => {
    server.closeAllConnections();
    server.close();
  });
  /** Asks until it is so; what never comes fails with what there was. */
  const comes = async <T>(ask: () => Promise<T> | T, wanted: T) => {
    let now = await ask();
    for (let tries = 0; tries < 2000 && now !== wanted; tries += 1) {
      await new Promise((resolve) => setTimeout(resolve, 10));
      now = await ask();
    }
    expect(now).toBe(wanted);
  };
  const connections = () => new Promise<number>((resolve) => server.getConnections((_, count) => resolve(count)));

  test('an upload that is given up is no fault of the server', async () => {
    logged.length = 0;
    const { port } = server.address() as AddressInfo;
    const socket = connect(port, '127.0.0.1', () => {
      socket.write(
        `PUT /api/visits/${v7()} HTTP/1.1\r\nHost: localhost\r\nContent-Type: application/json\r\nContent-Length: 500\r\n\r\n{"half":`,
      );
    });
    await comes(connections, 1);
    socket.destroy();
    await comes(connections, 0);
    expect(logged.filter((line) => (JSON.parse(line) as { level: number }).level >= 50)).toEqual([]);
    await request(app).get('/healthz').expect(200);
  });

  test('one client has only so many requests under way', async () => {
    const { port } = server.address() as AddressInfo;
    const address = `http://127.0.0.1:${port}`;
    const probe = new URLSearchParams({
      systemId: system.id,
      componentId: system.part('compressor'),
      kind: 'compressor-amps',
      point: 'common',
      method: 'clamp',
      input: 'amps',
      season: 'fall',
    }).toString();
    const stop = new AbortController();
    const streams = await Promise.all(
      [1, 2, 3].map(() => fetch(`${address}/api/probes/stream?${probe}`, { signal: stop.signal })),
    );
    expect(streams.map((s) => s.status)).toEqual([200, 200, 200]);
    const refused = await fetch(`${address}/api/session`);
    expect([refused.status, refused.headers.get('retry-after')]).toEqual([429, '3']);
    stop.abort();
    await comes(async () => (await fetch(`${address}/api/session`)).status, 200);
  });
});

test('the log holds no text of customers, at any level, and says what went wrong', async () => {
  logged.length = 0;
  const secret = 'Zwiebelkuchen';
  await request(app).get(`/api/systems?search=${secret}`).set('cookie', `s=${secret}`).set('authorization', secret);
  await request(app)
    .put(`/api/systems/${v7()}`)
    .send({ ...systemBody(), customerName: secret })
    .expect(200);
  await request(app).put(`/api/systems/${v7()}`).set('content-type', 'application/json').send(`{"a": ${secret}`);
  // The database quotes what it refuses.
  await suite.db
    .raw(`insert into people (id, firm_id, position, name, initials) values (?, ?, 0, ?, ?)`, [
      secret,
      secret,
      secret,
      secret,
    ])
    .catch((error: unknown) => createLog('trace', { write: (line) => void logged.push(line) }).error({ err: error }));
  const all = logged.join('');
  expect(logged.length).toBeGreaterThan(3);
  expect(all).not.toContain(secret);
  expect(all).toContain('"code":"22P02"');
  expect(all).toContain('"path":"/api/systems"');
});

test('what the build packed is sent as it is, to whoever can unpack it', async () => {
  const packed = await request(app).get('/assets/app-2.js').set('accept-encoding', 'br, gzip').expect(200);
  expect(packed.headers).toMatchObject({
    'content-encoding': 'br',
    'cache-control': 'public, max-age=31536000, immutable',
  });
  expect(packed.headers['content-type']).toMatch(/javascript/);
  expect(Number(packed.headers['content-length'])).toBe(brotliCompressSync(LARGE_SCRIPT).length);
  const plain = await request(app).get('/assets/app-2.js').set('accept-encoding', 'identity').expect(200);
  expect(plain.text).toBe(LARGE_SCRIPT);
  expect(plain.headers['content-encoding']).toBeUndefined();
});
