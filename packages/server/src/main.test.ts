import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { createServer, type AddressInfo } from 'node:net';
import { fileURLToPath } from 'node:url';
import { createDatabase, databaseUrl, dropDatabase } from './database/databases.ts';

const MAIN = fileURLToPath(new URL('./main.ts', import.meta.url));
/** Loaded before the server: throws where nobody waits for it when the process is told to. */
const THROWS = `data:text/javascript,${encodeURIComponent(
  "process.on('SIGUSR2', () => setImmediate(() => { throw new Error('left over'); }));",
)}`;

const freePort = () =>
  new Promise<number>((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as AddressInfo;
      probe.close(() => resolve(port));
    });
  });

test('what is thrown where nobody waits for it is told, and ends the server with what is under way answered', async () => {
  const admin = process.env.TEST_ADMIN_URL ?? '';
  const name = `yarnix_main_${randomUUID().slice(0, 8)}`;
  await createDatabase(admin, name);
  const port = await freePort();
  const child = spawn(process.execPath, ['--import', 'tsx', '--import', THROWS, MAIN], {
    env: {
      ...process.env,
      NODE_OPTIONS: '',
      DATABASE_URL: databaseUrl(admin, name),
      PORT: String(port),
      LOG_LEVEL: 'fatal',
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  let log = '';
  child.stdout.on('data', (piece: Buffer) => (log += piece.toString()));
  const ended = new Promise<number | null>((resolve) => child.on('exit', resolve));
  const address = `http://127.0.0.1:${port}`;
  const isUp = () =>
    fetch(`${address}/healthz`).then(
      (reply) => reply.ok,
      () => false,
    );
  try {
    for (let wait = 0; wait < 3000 && !(await isUp()); wait += 1) await new Promise((r) => setTimeout(r, 50));
    const path = `${address}/api/systems/${randomUUID()}`;
    const usual = await fetch(path, { method: 'PUT', headers: { 'content-type': 'application/json' }, body: '{}' });
    // A body that is still on its way when it happens.
    let send: ReadableStreamDefaultController<Uint8Array> | undefined;
    const body = new ReadableStream<Uint8Array>({ start: (controller) => void (send = controller) });
    const asked = fetch(path, {
      ...{ method: 'PUT', headers: { 'content-type': 'application/json' }, body, duplex: 'half' },
    });
    send?.enqueue(new TextEncoder().encode('{'));
    await new Promise((r) => setTimeout(r, 100));
    child.kill('SIGUSR2');
    await new Promise((r) => setTimeout(r, 100));
    send?.enqueue(new TextEncoder().encode('}'));
    send?.close();
    expect((await asked).status).toBe(usual.status);
    expect(await ended).toBe(1);
    expect(log).toContain('thrown where nobody waits for it');
    expect(await isUp()).toBe(false);
  } finally {
    child.kill('SIGKILL');
    await ended;
    await dropDatabase(admin, name);
  }
});
