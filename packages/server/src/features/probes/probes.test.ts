import { connect, type AddressInfo, type Socket } from 'node:net';
import { get, type Server } from 'node:http';
import request from 'supertest';
import { makeSystem, openSuite, systemBody, type MadeSystem, type Suite } from '../../testing/suite.ts';
import { createApp } from '../../app.ts';
import pino from 'pino';

let suite: Suite;
let system: MadeSystem;
let server: Server;
beforeAll(async () => {
  suite = await openSuite();
  system = await makeSystem(
    suite.app,
    systemBody({ compressorRla: 19.9, refrigerant: 'R-410A', capacitorRating: '40+5 µF' }),
  );
  const app = createApp({
    db: suite.db,
    log: pino({ level: 'silent' }),
    now: () => new Date('2026-10-10T18:00:00Z'),
    probeSpeed: 50,
  });
  await new Promise<void>((resolve) => {
    server = app.listen(0, '127.0.0.1', () => resolve());
  });
});
afterAll(async () => {
  server.closeAllConnections();
  server.close();
  await suite.close();
});

const query = (over: Record<string, string> = {}) =>
  new URLSearchParams({
    systemId: system.id,
    componentId: system.part('compressor'),
    kind: 'compressor-amps',
    point: 'common',
    method: 'clamp',
    input: 'amps',
    season: 'fall',
    runningSeconds: '900',
    ...over,
  }).toString();

/** Listens until so many samples have come, then hangs up. */
const listen = (
  count: number,
  over: Record<string, string> = {},
): Promise<{ type: string; samples: { at: number; value: number | null }[] }> =>
  new Promise((resolve, reject) => {
    const { port } = server.address() as AddressInfo;
    const asked = get(`http://127.0.0.1:${port}/api/probes/stream?${query(over)}`, (reply) => {
      let text = '';
      reply.setEncoding('utf8');
      reply.on('data', (piece: string) => {
        text += piece;
        const samples = [...text.matchAll(/data: (.*)\n\n/g)].map(
          (m) => JSON.parse(m[1] ?? '{}') as { at: number; value: number | null },
        );
        if (samples.length < count) return;
        asked.destroy();
        resolve({ type: reply.headers['content-type'] ?? '', samples });
      });
    });
    asked.on('error', reject);
  });

test('a probe streams figures of its system, four a second of house time, near what the plate allows', async () => {
  const { type, samples } = await listen(24);
  expect(type).toContain('text/event-stream');
  expect(samples.slice(0, 4).map((s) => s.at)).toEqual([0, 0.25, 0.5, 0.75]);
  const last = samples.at(-1)?.value ?? 0;
  expect(last).toBeGreaterThan(0.4 * 19.9);
  expect(last).toBeLessThan(19.9);
});

test('a machine that has just started shows its rush, and chosen faults show', async () => {
  const started = await listen(6, { runningSeconds: '0' });
  const settled = await listen(6);
  expect(Math.max(...started.samples.map((s) => s.value ?? 0))).toBeGreaterThan(
    1.5 * Math.max(...settled.samples.map((s) => s.value ?? 0)),
  );
  const suction = {
    componentId: system.part('refrigerant-circuit'),
    kind: 'superheat',
    point: 'suction',
    method: 'gauges',
    input: 'psig',
    season: 'spring',
  };
  const [sound, low] = [await listen(12, suction), await listen(12, { ...suction, faults: 'low-charge,gremlins' })];
  expect(low.samples.at(-1)?.value ?? 0).toBeLessThan((sound.samples.at(-1)?.value ?? 0) - 8);
});

test('the faults there are can be asked for', async () => {
  const { faults } = (await request(suite.app).get('/api/probes/faults').expect(200)).body as {
    faults: { id: string }[];
  };
  expect(faults.map((f) => f.id)).toContain('low-charge');
});

test('a field no probe serves, or a part that is not there, is refused before anything streams', async () => {
  const ask = (over: Record<string, string>) => request(suite.app).get(`/api/probes/stream?${query(over)}`);
  expect((await ask({ input: 'mood' }).expect(422)).body.code).toBe('no-probe-here');
  expect((await ask({ kind: 'complaint' }).expect(422)).body.code).toBe('no-probe-here');
  await ask({ componentId: system.id }).expect(404);
  await ask({ season: 'summer' }).expect(422);
});

test('who has asked and reads no more is not streamed to for longer than a probe is held, and costs nobody else theirs', async () => {
  const app = createApp({
    db: suite.db,
    log: pino({ level: 'silent' }),
    now: () => new Date('2026-10-10T18:00:00Z'),
    // A quarter of an hour of the house is a fifth of a second here.
    probeSpeed: 4500,
  });
  const fast = await new Promise<Server>((resolve) => {
    const up = app.listen(0, '127.0.0.1', () => resolve(up));
  });
  const { port } = fast.address() as AddressInfo;
  const stalled = await Promise.all(
    Array.from(
      { length: 12 },
      () =>
        new Promise<Socket>((resolve) => {
          const socket = connect(port, '127.0.0.1', () => {
            socket.write(`GET /api/probes/stream?${query()} HTTP/1.1\r\nHost: 127.0.0.1:${port}\r\n\r\n`);
            socket.pause();
            resolve(socket);
          });
          socket.on('error', () => undefined);
        }),
    ),
  );
  try {
    expect((await fetch(`http://127.0.0.1:${port}/api/probes/faults`)).ok).toBe(true);
    await new Promise((resolve) => setTimeout(resolve, 600));
    // What they find when they read on: the end of the stream, or a line that was cut.
    const found = stalled.map(
      (socket) =>
        new Promise<string>((resolve) => {
          let text = '';
          socket.on('data', (piece: Buffer) => {
            text += piece.toString();
            if (text.endsWith('\r\n0\r\n\r\n')) resolve('ended');
          });
          socket.on('close', () => resolve('cut'));
          socket.resume();
        }),
    );
    for (const how of await Promise.all(found)) expect(how).toMatch(/^(ended|cut)$/);
  } finally {
    stalled.forEach((socket) => socket.destroy());
    fast.closeAllConnections();
    await new Promise((resolve) => fast.close(resolve));
  }
}, 20_000);
