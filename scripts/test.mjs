import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBuild } from './lib/build.mjs';
import { changedFiles } from './lib/changed.mjs';
import { startCluster } from './lib/cluster.mjs';
import { ensureChromium, ensureNpmPackages, ensurePdfTools } from './lib/packages.mjs';
import { root } from './lib/paths.mjs';
import { runAndRead } from './lib/run.mjs';
import { runMain, say } from './lib/say.mjs';

/**
 * npm test: checks, unit tests, server tests on a real PostgreSQL, and journeys in a real browser. With --quick, what the
 * changed files touch, without journeys.
 */

const jestFlags = { NODE_OPTIONS: '--experimental-vm-modules --no-warnings' };
const step = (name, command, args, count, env = {}) => ({ name, command, args, count, env });

/** A check without cases of its own counts as one. */
const asOne = (_output, code) => (code === 0 ? { passed: 1, failed: 0 } : { passed: 0, failed: 1 });

function fromJest(output) {
  const line = /^Tests: +(\S.*)$/m.exec(output)?.[1] ?? '';
  const of = (word) => Number(new RegExp(`(\\d+) ${word}`).exec(line)?.[1] ?? 0);
  const suites = /^Test Suites:\s+(?:(\d+) failed)?/m.exec(output)?.[1];
  return { passed: of('passed'), failed: Math.max(of('failed'), Number(suites ?? 0) > 0 ? 1 : 0) };
}

function fromPlaywright(output) {
  const of = (word) => Number([...output.matchAll(new RegExp(`^\\s+(\\d+) ${word}`, 'gm'))].at(-1)?.[1] ?? 0);
  return { passed: of('passed') + of('flaky'), failed: of('failed') + of('interrupted') + of('did not run') };
}

const jest = (project, env) =>
  step(`jest: ${project}`, 'npx', ['jest', '--selectProjects', project, '--ci'], fromJest, { ...jestFlags, ...env });

/** Where each jest project's sources are. */
const FOLDERS = {
  core: /^(packages\/(core|simulator)\/src|tests)\//,
  server: /^packages\/server\/src\//,
  web: /^packages\/web\/src\//,
};

/** What the changed files touch; a core file's own tests, not all that is built on it. */
function quickSteps(database) {
  const changed = changedFiles();
  const sources = changed.filter((file) => /\.(ts|tsx|js|mjs)$/.test(file));
  const related = Object.entries(FOLDERS).flatMap(([project, folder]) => {
    const own = sources.filter((file) => folder.test(file) && /\.tsx?$/.test(file));
    if (own.length === 0) return [];
    const args = ['jest', '--selectProjects', project, '--ci', '--passWithNoTests', '--findRelatedTests', ...own];
    return [step(`jest: ${project}`, 'npx', args, fromQuickJest, { ...jestFlags, ...database })];
  });
  return [
    step('format', 'npx', ['prettier', '--check', '--ignore-unknown', '--cache', ...changed, 'package.json'], asOne),
    ...(sources.length > 0
      ? [step('lint', 'npx', ['eslint', '--cache', '--cache-location', '.local/eslint', ...sources], asOne)]
      : []),
    step('types', 'npx', ['tsc', '-b'], asOne),
    step('arrows', 'npm', ['run', '--silent', 'arrows'], asOne),
    ...related,
  ];
}

/** Of failed journeys so many are shown, each with so many lines. */
const MOST_SHOWN = 4;
const LINES_SHOWN = 120;

/** Of a failed test so much is told again at the end: its name, and the first lines of why. */
const LINES_OF_FAILURE = 14;
const MOST_FAILURES = 12;

/** What failed, as its runner told it: the end of a long output may be all that is looked at. */
function failuresIn(name, output) {
  const lines = output.split('\n');
  const starts = lines.flatMap((line, i) => (/^ {2}(●|\d+\)) /.test(line) ? [i] : []));
  const told = starts.slice(0, MOST_FAILURES).map((from, n) =>
    lines
      .slice(from, Math.min(from + LINES_OF_FAILURE, starts[n + 1] ?? Infinity))
      .join('\n')
      .trimEnd(),
  );
  return told.length > 0 ? told : [`  ${name}:`, ...lines.slice(-LINES_OF_FAILURE)];
}

/** What the screen showed when a journey failed: where the tests ran there may be nobody to look at it later. */
function showFailedScreens() {
  const results = join(root, 'test-results');
  const screens = readdirSync(results).map((journey) => join(results, journey, 'error-context.md'));
  for (const file of screens.filter((f) => existsSync(f)).slice(0, MOST_SHOWN)) {
    const lines = readFileSync(file, 'utf8').split('\n').slice(0, LINES_SHOWN);
    console.log([`-- ${file}`, ...lines].join('\n'));
  }
}

const fromQuickJest = (output, code) => {
  const counted = fromJest(output);
  return counted.passed + counted.failed > 0 ? counted : asOne(output, code);
};

async function runSteps(steps) {
  const total = { passed: 0, failed: 0 };
  const failures = [];
  for (const { name, command, args, count, env } of steps) {
    say(name);
    const { code, output } = await runAndRead(command, args, {
      env: { ...process.env, FORCE_COLOR: '0', NO_COLOR: '1', ...env },
    });
    // eslint-disable-next-line no-control-regex -- color codes would hide the runners' closing lines
    const plain = output.replace(/\x1b\[[0-9;]*m/g, '');
    const { passed, failed } = count(plain, code);
    const ranNothing = passed + failed === 0;
    if (ranNothing) say(`${name} ran no test, which counts as a failure`);
    total.passed += passed;
    total.failed += failed === 0 && (ranNothing || code !== 0) ? 1 : failed;
    if (name === 'journeys' && code !== 0) showFailedScreens();
    if (failed > 0 || code !== 0) failures.push(...failuresIn(name, plain));
  }
  if (failures.length > 0) console.log(['', 'What failed:', ...failures].join('\n'));
  return total;
}

await runMain(async () => {
  await ensureNpmPackages();
  const chromium = process.argv.includes('--quick') ? '' : await ensureChromium();
  await ensurePdfTools();
  const cluster = await startCluster('test', { durable: false, fresh: true });
  const stop = () => cluster.stop();
  for (const signal of ['SIGINT', 'SIGTERM']) {
    process.on(signal, () => {
      stop();
      process.exit(1);
    });
  }
  try {
    const database = { TEST_ADMIN_URL: cluster.adminUrl };
    const only = process.argv.slice(2).filter((word) => !word.startsWith('--'));
    const grep = process.argv.find((word) => word.startsWith('--grep='));
    const all = [
      step('format', 'npx', ['prettier', '--check', '.'], asOne),
      step('lint', 'npx', ['eslint', '.'], asOne),
      step('types', 'npx', ['tsc', '-b'], asOne),
      step('arrows', 'npm', ['run', '--silent', 'arrows'], asOne),
      step('unused', 'npm', ['run', '--silent', 'unused'], asOne),
      jest('core', {}),
      jest('server', database),
      jest('web', {}),
      step('journeys', 'npx', ['playwright', 'test', ...(grep ? [grep] : [])], fromPlaywright, {
        ...database,
        CHROMIUM: chromium,
      }),
    ];
    const steps = (process.argv.includes('--quick') ? quickSteps(database) : all).filter(
      ({ name }) => only.length === 0 || only.some((word) => name.includes(word)),
    );
    if (steps.some((s) => s.name === 'journeys')) await ensureBuild();
    const { passed, failed } = await runSteps(steps);
    console.log(`\n${passed} passed, ${failed} failed`);
    stop();
    process.exit(failed > 0 ? 1 : 0);
  } catch (error) {
    stop();
    throw error;
  }
});
