import express from 'express';
import type { Server } from 'node:http';
import { connect, type AddressInfo, type Socket } from 'node:net';
import { setTimeout as sleep } from 'node:timers/promises';
import { httpServer, type ConnectionLimits } from './listen.ts';

const LIMITS: ConnectionLimits = {
  headersMs: 300,
  requestMs: 800,
  idleMs: 300,
  keepAliveMs: 900,
  perClient: 4,
  all: 50,
};

let server: Server;
let port: number;
beforeAll(async () => {
  const app = express();
  app.post('/', express.json(), (_request, response) => void response.json({ ok: true }));
  // More than the system's own buffers take for a client that does not read.
  app.get('/much', (_request, response) => void response.send(Buffer.alloc(30_000_000)));
  server = httpServer(app, LIMITS);
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  port = (server.address() as AddressInfo).port;
});
afterAll(() => {
  server.closeAllConnections();
  server.close();
});

/** Opens a connection, sends, and tells whether the server ended it, after how long, and what came. */
async function held(
  send: (socket: Socket) => void,
  read = true,
): Promise<{ ended: boolean; ms: number; text: string }> {
  let text = '';
  const began = Date.now();
  const socket = connect(port, '127.0.0.1', () => send(socket));
  if (read) socket.on('data', (piece) => (text += piece.toString().slice(0, 100)));
  else socket.pause();
  const ended = new Promise<void>((resolve) => {
    socket.on('error', () => resolve());
    socket.on('close', () => resolve());
  });
  // A paused socket does not hear of its end: whether the server still holds it is asked of the server.
  const gone = async () => {
    for (;;) {
      await sleep(20);
      const count = await new Promise<number>((resolve) => server.getConnections((_error, n) => resolve(n)));
      if (count === 0) return;
    }
  };
  // Without the limits it would be held for Node’s own minute, or for good.
  const kept = sleep(40_000, undefined, { ref: false }).then(() => 'kept');
  const how = await Promise.race([ended, gone(), kept]);
  const ms = Date.now() - began;
  socket.destroy();
  await sleep(50);
  return { ended: how !== 'kept', ms, text };
}

const HEAD = 'POST / HTTP/1.1\r\nHost: localhost\r\nContent-Type: application/json\r\n';

test('headers that do not come, or stop half-way, are not waited for', async () => {
  expect((await held((s) => s.write('POST / HTTP/1.1\r\nHost: loc'))).ended).toBe(true);
});

test('a body half sent is not waited for, nor one that trickles', async () => {
  expect((await held((s) => s.write(`${HEAD}Content-Length: 100\r\n\r\n{"half`))).ended).toBe(true);
  const trickle = await held((s) => {
    s.write(`${HEAD}Content-Length: 1000\r\n\r\n{`);
    const timer = setInterval(() => s.write(' '), 50);
    s.on('close', () => clearInterval(timer));
    s.on('error', () => clearInterval(timer));
  });
  expect(trickle.ended).toBe(true);
});

test('an answer that nobody reads is not kept', async () => {
  expect((await held((s) => s.write('GET /much HTTP/1.1\r\nHost: localhost\r\n\r\n'), false)).ended).toBe(true);
});

test('a connection waits for its next request longer than for the rest of one', async () => {
  const { ended, ms, text } = await held((s) => s.write('GET /none HTTP/1.1\r\nHost: localhost\r\n\r\n'));
  expect(text).toContain('404');
  expect(ms).toBeGreaterThan(LIMITS.idleMs * 2);
  expect(ended).toBe(true);
});

test('a client gets so many connections and no more; others are served on', async () => {
  const sockets = Array.from({ length: 8 }, () => connect(port, '127.0.0.1'));
  sockets.forEach((s) => s.on('error', () => undefined));
  await sleep(150);
  const count = await new Promise<number>((resolve) => server.getConnections((_error, n) => resolve(n)));
  expect(count).toBeLessThanOrEqual(LIMITS.perClient);
  sockets.forEach((s) => s.destroy());
  await sleep(100);
  expect(await (await fetch(`http://127.0.0.1:${port}/`, { method: 'POST', body: '{}' })).json()).toEqual({ ok: true });
});
