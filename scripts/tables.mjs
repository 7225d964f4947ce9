import { startCluster } from './lib/cluster.mjs';
import { ensureNpmPackages } from './lib/packages.mjs';
import { run } from './lib/run.mjs';
import { runMain } from './lib/say.mjs';
import { runTs } from './lib/server.mjs';

/** npm run tables: writes docs/tables.md from the database. */
await runMain(async () => {
  await ensureNpmPackages();
  const cluster = await startCluster('test', { durable: false, fresh: true });
  try {
    await runTs('scripts/write-tables.ts', { env: { TEST_ADMIN_URL: cluster.adminUrl } });
    await run('npx', ['prettier', '--write', 'docs/tables.md']);
  } finally {
    cluster.stop();
  }
});
