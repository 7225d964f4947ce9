import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './paths.mjs';
import { quiet, run } from './run.mjs';
import { Refusal, say } from './say.mjs';

const isRoot = process.getuid?.() === 0;

/** Installs the npm packages of package-lock.json unless exactly these are installed already. */
export async function ensureNpmPackages() {
  const stamp = join(root, 'node_modules/.yarnix-lock');
  const wanted = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return;
  say('installing npm packages (about a minute)');
  if ((await run('npm', ['ci', '--no-progress', '--loglevel=error'])) !== 0) {
    throw new Refusal('npm ci failed; see its lines above.');
  }
  writeFileSync(stamp, wanted);
}

async function aptInstall(packages) {
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const apt = (args) => run('apt-get', ['-qq', ...args], { env, stdio: ['ignore', 'ignore', 'inherit'] });
  if ((await apt(['update'])) !== 0) return false;
  return (await apt(['install', '-y', '--no-install-recommends', ...packages])) === 0;
}

function postgresBin() {
  const base = '/usr/lib/postgresql';
  if (!existsSync(base)) return undefined;
  return readdirSync(base)
    .filter((version) => existsSync(join(base, version, 'bin/initdb')))
    .sort((a, b) => Number(b) - Number(a))
    .map((version) => join(base, version, 'bin'))[0];
}

/** Where initdb and pg_ctl are; installs Debian's PostgreSQL when it is missing and this user may. */
export async function ensurePostgres() {
  const found = postgresBin();
  if (found) return found;
  if (!isRoot) {
    throw new Refusal('PostgreSQL is missing: install it with "sudo apt-get install postgresql", then run this again.');
  }
  say('installing PostgreSQL from Debian’s packages');
  // Debian's package would start a cluster of its own on port 5432; this project makes a private one.
  mkdirSync('/etc/postgresql-common', { recursive: true });
  const conf = '/etc/postgresql-common/createcluster.conf';
  if (!existsSync(conf)) writeFileSync(conf, 'create_main_cluster = false\n');
  await aptInstall(['postgresql']);
  const installed = postgresBin();
  if (!installed) throw new Refusal('PostgreSQL could not be installed; try "apt-get install postgresql" by hand.');
  return installed;
}

/** Installs one of Debian's packages when its program is missing and this user may. */
async function ensureProgram(name, debian, path) {
  if (existsSync(path)) return path;
  const missing = `${name} is missing: install it with "sudo apt-get install ${debian}", then run this again.`;
  if (!isRoot) throw new Refusal(missing);
  say(`installing ${name} from Debian’s packages`);
  await aptInstall([debian]);
  if (!existsSync(path)) throw new Refusal(`${name} could not be installed; try "apt-get install ${debian}" by hand.`);
  return path;
}

/** Where Debian's Chromium without a window is: it draws the same pages, and none of a browser's own beside them. */
export const ensureChromium = () =>
  ensureProgram('Chromium', 'chromium-headless-shell', '/usr/bin/chromium-headless-shell');

/** Debian's programs that read a PDF: the tests hold the owner's report against them. */
export async function ensurePdfTools() {
  await ensureProgram('poppler’s PDF tools', 'poppler-utils', '/usr/bin/pdfinfo');
  await ensureProgram('qpdf', 'qpdf', '/usr/bin/qpdf');
}

/** True when the unprivileged owner of the cluster can reach this folder. */
export const reachableByPostgres = (folder) =>
  !isRoot || quiet('runuser', ['-u', 'postgres', '--', 'test', '-x', folder]).ok;
