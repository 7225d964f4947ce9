import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { ensureServer, ensureWeb } from './lib/build.mjs';
import { changedFiles } from './lib/changed.mjs';
import { startCluster } from './lib/cluster.mjs';
import { loadDemoTemplate } from './lib/demo-template.mjs';
import { ensureChromium, ensureNpmPackages, ensurePdfTools } from './lib/packages.mjs';
import { local } from './lib/paths.mjs';
import { readJest, readPlaywright } from './lib/results.mjs';
import { Refusal, runMain, say } from './lib/say.mjs';
import { runSteps } from './lib/steps.mjs';

/**
 * npm test [-- words] [--quick] [--coverage] [--shard=1/2] [--grep=title]: checks, unit tests, server tests on a real PostgreSQL, and
 * journeys in a real browser. Words keep the steps whose name holds one of them; --quick runs what the changed files touch,
 * without journeys.
 */

const jestFlags = { NODE_OPTIONS: '--experimental-vm-modules --no-warnings' };
const results = join(local, 'results');

const option = (name) => process.argv.find((word) => word.startsWith(`--${name}=`));
const has = (name) => process.argv.includes(`--${name}`);
const shard = option('shard');

/** A check without cases of its own counts as one. */
const check = (name, command, args) => ({
  name,
  command,
  args,
  read: ({ code }) => ({ passed: code === 0 ? 1 : 0, failed: code === 0 ? 0 : 1, failures: [], took: [] }),
});

/**
 * Tests of one project by Jest, in one process; a step beside it has the other core. `env`: what they are told besides. `how`:
 * in which way, where the same tests run in two. What a failed test leaves open must not keep the command from ending: its results
 * are in the file by then.
 */
function jest(project, env, args = [], how = '') {
  const file = join(results, `${project}${how.replaceAll(' ', '-')}.json`);
  const covered = has('coverage')
    ? [
        '--coverage',
        '--coverageReporters=json-summary',
        `--coverageDirectory=${join(results, 'coverage', `${project}${how}`)}`,
      ]
    : [];
  return {
    name: `jest: ${project}${how}`,
    command: 'npx',
    args: [
      ...['jest', '--selectProjects', project, '--ci', '--runInBand', '--forceExit', '--json', `--outputFile=${file}`],
      ...covered,
      ...(shard ? [shard] : []),
      ...args,
    ],
    env: { ...jestFlags, ...env },
    read: () => readJest(file),
  };
}

/** Where each Jest project's sources are. */
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
    return [{ ...jest(project, database, ['--passWithNoTests', '--findRelatedTests', ...own]), mayBeEmpty: true }];
  });
  return [
    ...related,
    ...(sources.length > 0
      ? [check('lint', 'npx', ['eslint', '--cache', '--cache-location', '.local/eslint', ...sources])]
      : []),
    check('types', 'npm', ['run', '--silent', 'types']),
    check('format', 'npx', ['prettier', '--check', '--ignore-unknown', '--cache', ...changed, 'package.json']),
    check('arrows', 'npm', ['run', '--silent', 'arrows']),
  ];
}

/** All steps that need no browser, the longest first: two of them run side by side. */
const stepsBeforeJourneys = (database) => [
  jest('server', database),
  // Whoever asks for a second connection while holding the first would wait for ever here.
  jest('server', { ...database, TEST_CONNECTIONS: '1' }, [], ' on one connection'),
  check('lint', 'npx', ['eslint', '.']),
  jest('core', {}),
  jest('web', {}),
  check('format', 'npx', ['prettier', '--check', '.']),
  check('types', 'npm', ['run', '--silent', 'types']),
  check('arrows', 'npm', ['run', '--silent', 'arrows']),
  check('unused', 'npm', ['run', '--silent', 'unused']),
];

function journeys(database, chromium) {
  const file = join(results, 'journeys.json');
  const chosen = [option('grep'), option('project'), shard, option('repeat-each')].filter((word) => word !== undefined);
  return {
    name: 'journeys',
    command: 'npx',
    args: ['playwright', 'test', ...chosen],
    env: { ...database, CHROMIUM: chromium, DEMO_TEMPLATE_IS_LOADED: 'yes', PLAYWRIGHT_JSON_OUTPUT_FILE: file },
    read: () => readPlaywright(file),
  };
}

/** The figure of a coverage summary, lines of a project's own sources. */
function coverageOf(project) {
  const { total } = JSON.parse(readFileSync(join(results, 'coverage', project, 'coverage-summary.json'), 'utf8'));
  return `${project}: ${total.lines.pct} % of lines, ${total.branches.pct} % of branches`;
}

const SLOWEST = 10;

/** The slowest tests of all steps, and what failed: the end of a long output may be all that is looked at. */
function tell(done) {
  const slowest = done
    .flatMap(({ took }) => took)
    .sort((a, b) => b.ms - a.ms)
    .slice(0, SLOWEST);
  console.log('\nThe slowest:');
  for (const { ms, title } of slowest) console.log(`  ${(ms / 1000).toFixed(1).padStart(6)} s  ${title}`);
  console.log('\nHow long each step took:');
  for (const { name, seconds } of done) console.log(`  ${seconds.toFixed(0).padStart(6)} s  ${name}`);
  const failures = done.flatMap((step) => step.failures);
  if (failures.length > 0) console.log(['\nWhat failed:', ...failures].join('\n'));
}

await runMain(async () => {
  const began = Date.now();
  await ensureNpmPackages();
  const only = process.argv.slice(2).filter((word) => !word.startsWith('--'));
  const isWanted = ({ name }) => only.length === 0 || only.some((word) => name.includes(word));
  const withJourneys = !has('quick') && isWanted({ name: 'journeys' });
  const chromium = withJourneys ? await ensureChromium() : '';
  await ensurePdfTools();
  rmSync(results, { recursive: true, force: true });
  mkdirSync(results, { recursive: true });
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
    const isFirstShard = !shard || shard.startsWith('--shard=1/');
    const first = (has('quick') ? quickSteps(database) : stepsBeforeJourneys(database))
      .filter(isWanted)
      // What is no list of tests cannot be divided.
      .filter(({ name }) => name.startsWith('jest') || isFirstShard);
    const builds = withJourneys ? [ensureWeb, ensureServer, () => loadDemoTemplate(cluster.adminUrl)] : [];
    const done = await runSteps(first, availableParallelism(), builds);
    if (withJourneys) done.push(...(await runSteps([journeys(database, chromium)], 1)));
    if (done.length === 0) throw new Refusal(`no step is named like ${only.join(' or ')}`);
    tell(done);
    if (has('coverage'))
      for (const { name } of done) if (name.startsWith('jest: ')) console.log(coverageOf(name.slice('jest: '.length)));
    const sum = (of) => done.reduce((all, step) => all + step[of], 0);
    say(`${((Date.now() - began) / 60_000).toFixed(1)} min`);
    console.log(`\n${sum('passed')} passed, ${sum('failed')} failed`);
    stop();
    process.exit(sum('failed') > 0 ? 1 : 0);
  } catch (error) {
    stop();
    throw error;
  }
});
