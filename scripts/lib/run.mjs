import { spawn, spawnSync } from 'node:child_process';
import { root } from './paths.mjs';

/** Runs to the end with the terminal's own input and output; returns the exit code. */
export function run(command, args, options = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, { cwd: root, stdio: 'inherit', ...options });
    child.on('error', reject);
    child.on('exit', (code, signal) => resolve(signal ? 1 : code));
  });
}

/** Runs and keeps the output, showing it meanwhile unless told not to; returns { code, output }. */
export function runAndRead(command, args, options = {}, { shown = true } = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'], ...options });
    let output = '';
    const keep = (to) => (chunk) => {
      output += chunk;
      if (shown) to.write(chunk);
    };
    child.stdout.on('data', keep(process.stdout));
    child.stderr.on('data', keep(process.stderr));
    child.on('error', reject);
    child.on('close', (code) => resolve({ code: code ?? 1, output }));
  });
}

/** Runs quietly; returns { ok, text }. */
export function quiet(command, args, options = {}) {
  const done = spawnSync(command, args, { cwd: '/', encoding: 'utf8', ...options });
  return { ok: done.status === 0, text: `${done.stdout ?? ''}${done.stderr ?? ''}`.trim() };
}
