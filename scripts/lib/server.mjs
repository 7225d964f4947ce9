import { spawn } from 'node:child_process';
import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { root, serverDist, webDist } from './paths.mjs';
import { Refusal } from './say.mjs';

/** Runs a TypeScript file of the project as a child that gets no terminal signals of its own. */
export function spawnTs(file, { env = {}, args = [], stdio = 'inherit', watch = false } = {}) {
  return spawn(process.execPath, [...(watch ? ['--watch'] : []), '--import', 'tsx', join(root, file), ...args], {
    cwd: root,
    stdio,
    detached: true,
    env: { ...process.env, ...env },
  });
}

export async function runTs(file, options) {
  const child = spawnTs(file, options);
  const code = await new Promise((resolve) => child.on('exit', resolve));
  if (code !== 0) throw new Refusal(`${file} failed; see its lines above.`);
}

const BUILT = join(serverDist, 'main.mjs');

/** Whether a process is a server of this project and not another one that has its number by now. */
function isOurServer(pid) {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(BUILT);
  } catch {
    return false;
  }
}

/** Ends the server that a command left behind when it was killed itself; tells whether there was one. */
export async function endOrphan(file) {
  const pid = existsSync(file) ? Number(readFileSync(file, 'utf8')) : 0;
  rmSync(file, { force: true });
  if (!pid || !isOurServer(pid)) return false;
  process.kill(pid, 'SIGTERM');
  for (let wait = 0; wait < 40 && isOurServer(pid); wait += 1) await sleep(200);
  if (isOurServer(pid)) process.kill(pid, 'SIGKILL');
  return true;
}

/** Starts the app server as it was built last, and waits until it answers. Returns { address, child, stop() }. */
export async function startServer({ databaseUrl, port, env = {}, stdio = 'inherit', pidFile }) {
  const child = spawn(process.execPath, [BUILT], {
    cwd: root,
    stdio,
    detached: true,
    env: { ...process.env, DATABASE_URL: databaseUrl, PORT: String(port), WEB_DIST: webDist, ...env },
  });
  if (pidFile) writeFileSync(pidFile, String(child.pid));
  const ended = new Promise((resolve) => child.on('exit', resolve));
  const address = `http://127.0.0.1:${port}`;
  for (let wait = 0; ; wait += 1) {
    if (child.exitCode !== null) throw new Refusal('the server ended at once; see its lines above.');
    if (
      await fetch(`${address}/healthz`).then(
        (r) => r.ok,
        () => false,
      )
    )
      break;
    if (wait > 3000) throw new Refusal('the server did not answer within a minute.');
    await sleep(20);
  }
  const stop = async () => {
    if (child.exitCode === null) child.kill('SIGTERM');
    await Promise.race([ended, sleep(8000).then(() => child.kill('SIGKILL'))]);
    if (pidFile) rmSync(pidFile, { force: true });
  };
  return { address, child, ended, stop };
}
