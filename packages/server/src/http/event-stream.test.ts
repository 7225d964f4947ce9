import express from 'express';
import type { Server } from 'node:http';
import { connect, type AddressInfo, type Socket } from 'node:net';
import { setTimeout as sleep } from 'node:timers/promises';
import { createLog, requestLog } from '../log.ts';
import { streamEvents, type EventStreamOptions } from './event-stream.ts';

const open: Server[] = [];
afterEach(() => {
  for (const server of open.splice(0)) {
    server.closeAllConnections();
    server.close();
  }
});

/** An app whose /s streams what is given; tells how its stream ended. */
async function streaming(events: () => AsyncIterable<unknown>, options: EventStreamOptions) {
  const logged: string[] = [];
  const log = createLog('debug', { write: (line) => void logged.push(line) });
  const app = express();
  app.use(requestLog(log));
  let ended = false;
  app.get('/s', async (_request, response) => {
    await streamEvents(response, events(), options);
    ended = true;
  });
  const server = await new Promise<Server>((resolve) => {
    const made = app.listen(0, '127.0.0.1', () => resolve(made));
  });
  open.push(server);
  return { port: (server.address() as AddressInfo).port, logged, ended: () => ended };
}

const until = async (done: () => boolean, ms = 30_000): Promise<void> => {
  for (let waited = 0; !done() && waited < ms; waited += 10) await sleep(10);
  expect(done()).toBe(true);
};

/** Asks for the stream over a bare connection; reads only when told to. */
function ask(port: number, read: boolean): { socket: Socket; text: () => string } {
  let text = '';
  const socket = connect(port, '127.0.0.1', () => socket.write('GET /s HTTP/1.1\r\nHost: localhost\r\n\r\n'));
  socket.on('error', () => undefined);
  if (read) socket.on('data', (piece) => (text += piece.toString()));
  else socket.pause();
  return { socket, text: () => text };
}

const fetchText = async (port: number): Promise<string> => (await fetch(`http://127.0.0.1:${port}/s`)).text();

test('events come in order, and the stream ends with them', async () => {
  const app = await streaming(
    async function* () {
      for (const n of [1, 2, 3]) {
        await sleep(1);
        yield { n };
      }
    },
    { longestMs: 5000 },
  );
  expect(await fetchText(app.port)).toBe('data: {"n":1}\n\ndata: {"n":2}\n\ndata: {"n":3}\n\n');
});

test('what is thrown on the way ends that stream with a problem, and is logged; the server goes on', async () => {
  const app = await streaming(
    async function* () {
      await sleep(1);
      yield 1;
      throw new TypeError('no such curve');
    },
    { longestMs: 5000 },
  );
  const text = await fetchText(app.port);
  expect(text).toContain('event: problem\ndata: {"type":"/docs/problems#unexpected"');
  expect(text).not.toContain('no such curve');
  expect(app.logged.join('')).toContain('no such curve');
  expect(await fetchText(app.port)).toContain('data: 1');
});

test('an endless stream ends by itself when its time is up', async () => {
  const app = await streaming(
    async function* () {
      for (;;) {
        await sleep(5);
        yield 1;
      }
    },
    { longestMs: 150 },
  );
  expect((await fetchText(app.port)).length).toBeGreaterThan(10);
});

test('a reader that stalls is not buffered for, and is hung up on in time; its events stop', async () => {
  let made = 0;
  let closed = false;
  const app = await streaming(
    async function* () {
      try {
        for (;;) {
          await sleep(0);
          made += 1;
          yield 'x'.repeat(200_000);
        }
      } finally {
        closed = true;
      }
    },
    { longestMs: 400, graceMs: 100 },
  );
  const { socket } = ask(app.port, false);
  await sleep(300);
  const whileStalled = made;
  await sleep(100);
  // The system's own buffers hold some; beyond them nothing is made.
  expect(whileStalled).toBeLessThan(80);
  await until(() => app.ended() && closed);
  const atEnd = made;
  await sleep(100);
  expect(made).toBe(atEnd);
  socket.destroy();
});

test('a reader that goes away ends its stream at once', async () => {
  let closed = false;
  const app = await streaming(
    async function* () {
      try {
        for (;;) {
          await sleep(5);
          yield 1;
        }
      } finally {
        closed = true;
      }
    },
    { longestMs: 60_000 },
  );
  const { socket, text } = ask(app.port, true);
  await until(() => text().includes('data: 1'));
  socket.destroy();
  await until(() => closed && app.ended());
});
