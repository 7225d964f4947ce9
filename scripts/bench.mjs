import { startCluster } from './lib/cluster.mjs';
import { ensureNpmPackages } from './lib/packages.mjs';
import { runMain, say } from './lib/say.mjs';
import { runTs } from './lib/server.mjs';

/** npm run bench [-- --fresh]: fills a database to the planned size once, then measures. */
await runMain(async () => {
  await ensureNpmPackages();
  const cluster = await startCluster('bench', { fresh: process.argv.includes('--fresh') });
  const stop = () => cluster.stop();
  for (const signal of ['SIGINT', 'SIGTERM']) {
    process.on(signal, () => {
      stop();
      process.exit(1);
    });
  }
  try {
    say('core');
    await runTs('scripts/bench/core.ts');
    say('server');
    await runTs('scripts/bench/server.ts', {
      env: { DATABASE_URL: cluster.url('yarnix_bench'), ADMIN_DATABASE_URL: cluster.adminUrl },
    });
  } finally {
    stop();
  }
});
