import { ensureBuild } from './lib/build.mjs';
import { startCluster } from './lib/cluster.mjs';
import { ensureChromium, ensureNpmPackages } from './lib/packages.mjs';
import { run } from './lib/run.mjs';
import { runMain, say } from './lib/say.mjs';
import { spawnTs } from './lib/server.mjs';

/** Crashes the page so often amid a round, a call and a close, at both sizes: what was tapped and typed must be there. */
async function killPages(kills) {
  const chromium = await ensureChromium();
  await ensureBuild();
  const cluster = await startCluster('faults', { fresh: true, durable: false });
  const seed = String(Date.now() % 1_000_000);
  say(`${kills} kills on each of three ways at both sizes, seed ${seed}`);
  const env = {
    ...process.env,
    ...{ TEST_ADMIN_URL: cluster.adminUrl, CHROMIUM: chromium, KILLS: kills, KILL_SEED: seed },
  };
  const code = await run('npx', ['playwright', 'test', 'a-killed-page-loses-nothing'], { env });
  cluster.stop();
  process.exit(code);
}

/**
 * npm run faults [-- strikes]: as in npm test, longer, and with a durable PostgreSQL that crashes amid writes. Prints how
 * often each fault struck, and what was acknowledged, lost and doubled. npm run faults -- kills [times]: pages that crash.
 */
await runMain(async () => {
  const [strikes = '20', times = '17'] = process.argv.slice(2);
  await ensureNpmPackages();
  if (strikes === 'kills') return killPages(times);
  const cluster = await startCluster('faults', { fresh: true });
  const env = {
    ...process.env,
    NODE_OPTIONS: '--experimental-vm-modules --no-warnings',
    TEST_ADMIN_URL: cluster.adminUrl,
    FAULT_STRIKES: strikes,
  };
  let code = await run('npx', ['jest', '--selectProjects', 'server', '--ci', 'src/faults', 'src/features/races'], {
    env,
  });
  // The database itself crashes: it is this command's own, so it strikes from here, and the writers tell what they know.
  const writers = spawnTs('scripts/faults/crashes.ts', { env, stdio: ['pipe', 'inherit', 'inherit', 'ipc'] });
  const ended = new Promise((resolve) => writers.on('exit', resolve));
  writers.on('message', async (message) => {
    if (message !== 'crash') return;
    cluster.crash();
    writers.send((await cluster.revive()) ? 'revived' : 'gone');
  });
  code ||= await ended;
  cluster.stop();
  process.exit(code ?? 1);
});
