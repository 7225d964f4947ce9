import { existsSync, mkdirSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { local, root, webDist } from './paths.mjs';
import { run } from './run.mjs';
import { Refusal, say } from './say.mjs';

const inputs = ['packages/web', 'packages/core', 'package-lock.json'];

function fingerprint(path) {
  const stat = statSync(path);
  if (!stat.isDirectory()) return `${path}:${stat.mtimeMs}:${stat.size};`;
  return readdirSync(path)
    .filter((name) => !['node_modules', 'dist', '.tsbuild'].includes(name))
    .sort()
    .map((name) => fingerprint(join(path, name)))
    .join('');
}

/** Builds the web app unless its sources are those of the last build. */
export async function ensureBuild() {
  const stamp = join(local, 'web-build');
  const now = inputs.map((path) => fingerprint(join(root, path))).join('');
  if (existsSync(join(webDist, 'index.html')) && existsSync(stamp) && readFileSync(stamp, 'utf8') === now) return;
  say('building the web app');
  const code = await run('npm', ['run', '--silent', 'build', '--workspace', 'packages/web'], {
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  if (code !== 0) throw new Refusal('the web app did not build; see the lines above.');
  mkdirSync(local, { recursive: true });
  writeFileSync(stamp, now);
}
