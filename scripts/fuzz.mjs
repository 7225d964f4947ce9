import { startCluster } from './lib/cluster.mjs';
import { ensureNpmPackages } from './lib/packages.mjs';
import { run } from './lib/run.mjs';
import { runMain, say } from './lib/say.mjs';

/** npm run fuzz [-- rounds [seed]]: as in npm test, longer; every round sends one request to every route. */
await runMain(async () => {
  const [rounds = '1500', seed = String(Date.now() % 1_000_000)] = process.argv.slice(2);
  await ensureNpmPackages();
  const cluster = await startCluster('test', { durable: false, fresh: true });
  say(`${rounds} rounds, seed ${seed}`);
  const code = await run('npx', ['jest', '--selectProjects', 'server', '--ci', 'src/fuzz'], {
    env: {
      ...process.env,
      NODE_OPTIONS: '--experimental-vm-modules --no-warnings',
      TEST_ADMIN_URL: cluster.adminUrl,
      FUZZ_ROUNDS: rounds,
      FUZZ_SEED: seed,
    },
  });
  cluster.stop();
  process.exit(code);
});
