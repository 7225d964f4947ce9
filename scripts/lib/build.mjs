import { existsSync, mkdirSync, readFileSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { local, root, serverDist, webDist } from './paths.mjs';
import { runAndRead } from './run.mjs';
import { Refusal, say } from './say.mjs';

function fingerprint(path) {
  const stat = statSync(path);
  if (!stat.isDirectory()) return `${path}:${stat.mtimeMs}:${stat.size};`;
  return readdirSync(path)
    .filter((name) => !['node_modules', 'dist', '.tsbuild'].includes(name))
    .sort()
    .map((name) => fingerprint(join(path, name)))
    .join('');
}

/** Runs `make` unless its inputs are those it was last run with, and what it made is there. */
async function unlessMade(name, made, inputs, make) {
  const stamp = join(local, name);
  const now = [...inputs, 'package-lock.json', 'scripts/lib/build.mjs']
    .map((path) => fingerprint(join(root, path)))
    .join('');
  if (existsSync(made) && existsSync(stamp) && readFileSync(stamp, 'utf8') === now) return;
  await make();
  mkdirSync(local, { recursive: true });
  writeFileSync(stamp, now);
}

/** Builds the web app unless its sources are those of the last build. */
export const ensureWeb = () =>
  unlessMade('web-build', join(webDist, 'index.html'), ['packages/web', 'packages/core'], async () => {
    say('building the web app');
    const command = ['run', '--silent', 'build', '--workspace', 'packages/web'];
    const { code, output } = await runAndRead('npm', command, {}, { shown: false });
    if (code !== 0) throw new Refusal(`the web app did not build:\n${output}`);
  });

/** Packages that find files of their own beside them, or are compiled: they stay where they are installed. */
const AS_INSTALLED = ['sharp', 'pdfkit', 'piscina', 'pg-native', 'tsx', 'pino', 'pino-http'];
/** Drivers of other databases that Knex names and never loads here. */
const NEVER_LOADED = [
  'better-sqlite3',
  'mysql',
  'mysql2',
  'oracledb',
  'sqlite3',
  'tedious',
  'pg-query-stream',
  'mariadb',
];

const WORKER = 'packages/server/src/jobs/refit-worker.ts';

/** Bundles entry points of the server into a folder, so that a start reads a few files and not thousands. */
async function bundle(entryPoints, outdir) {
  // Looked for only now: on a bare machine the packages are installed by the command that builds.
  const { build } = await import('esbuild');
  rmSync(outdir, { recursive: true, force: true });
  await build({
    absWorkingDir: root,
    entryPoints,
    outdir,
    outExtension: { '.js': '.mjs' },
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    // What is loaded later stays apart. Names and lines stay readable; reading a map of them would take a third of a start.
    splitting: true,
    chunkNames: 'part-[hash]',
    logLevel: 'error',
    external: [...AS_INSTALLED, ...NEVER_LOADED],
    // What is bundled of CommonJS asks for Node's own modules by `require`.
    banner: {
      js: "import { createRequire as requireFrom } from 'node:module'; const require = requireFrom(import.meta.url);",
    },
  });
}

/** Builds the server and its worker into packages/server/dist unless their sources are those of the last build. */
export const ensureServer = () =>
  unlessMade(
    'server-build',
    join(serverDist, 'main.mjs'),
    ['packages/server', 'packages/core', 'packages/simulator'],
    async () => {
      say('building the server');
      await bundle({ main: 'packages/server/src/main.ts', 'refit-worker-entry': WORKER }, serverDist);
    },
  );

/** Builds the worker alone, for tests that run one; returns its file. */
export async function buildWorker() {
  const outdir = join(local, 'worker-of-tests');
  await bundle({ worker: WORKER }, outdir);
  return join(outdir, 'worker.mjs');
}

/** What the app is served from: its web files and its server. */
export const ensureBuild = async () => {
  await ensureWeb();
  await ensureServer();
};
