import { ensureServer } from './lib/build.mjs';
import { startCluster } from './lib/cluster.mjs';
import { besideDemo } from './lib/demo-server.mjs';
import { ensureNpmPackages } from './lib/packages.mjs';
import { runMain, say } from './lib/say.mjs';
import { runTs } from './lib/server.mjs';

/**
 * npm run bench [-- --fresh] [web | import]: fills a database to the planned size once, then measures; or the first load in a
 * browser; or a past that comes in from a spreadsheet.
 */
await runMain(async () => {
  await ensureNpmPackages();
  if (process.argv.includes('web')) return besideDemo('scripts/bench/web.ts', { AUTO_REFIT: 'off' });
  await ensureServer();
  const cluster = await startCluster('bench', { fresh: process.argv.includes('--fresh') });
  const stop = () => cluster.stop();
  for (const signal of ['SIGINT', 'SIGTERM']) {
    process.on(signal, () => {
      stop();
      process.exit(1);
    });
  }
  try {
    if (process.argv.includes('import')) {
      const env = { DATABASE_URL: cluster.url('yarnix_bench_import'), ADMIN_DATABASE_URL: cluster.adminUrl };
      return await runTs('scripts/bench/import.ts', { env });
    }
    say('core');
    await runTs('scripts/bench/core.ts');
    await runTs('scripts/bench/find.ts');
    say('server');
    await runTs('scripts/bench/server.ts', {
      env: { DATABASE_URL: cluster.url('yarnix_bench'), ADMIN_DATABASE_URL: cluster.adminUrl },
    });
  } finally {
    stop();
  }
});
