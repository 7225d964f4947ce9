import { startCluster } from './lib/cluster.mjs';
import { ensureNpmPackages } from './lib/packages.mjs';
import { run } from './lib/run.mjs';
import { runMain } from './lib/say.mjs';
import { spawnTs } from './lib/server.mjs';

/**
 * npm run faults [-- strikes]: as in npm test, longer, and with a durable PostgreSQL that crashes amid writes. Prints how
 * often each fault struck, and what was acknowledged, lost and doubled.
 */
await runMain(async () => {
  const [strikes = '20'] = process.argv.slice(2);
  await ensureNpmPackages();
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
