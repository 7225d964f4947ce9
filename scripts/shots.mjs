import { ensureBuild } from './lib/build.mjs';
import { freePort, startCluster } from './lib/cluster.mjs';
import { ensureChromium, ensureNpmPackages } from './lib/packages.mjs';
import { runMain } from './lib/say.mjs';
import { runTs, startServer } from './lib/server.mjs';

/** npm run shots: renews docs/screenshots from a fresh demo firm of a fixed day. */
await runMain(async () => {
  await ensureNpmPackages();
  const chromium = await ensureChromium();
  await ensureBuild();
  const cluster = await startCluster('shots', { durable: false, fresh: true });
  let server;
  try {
    const databaseUrl = cluster.url('yarnix');
    await runTs('scripts/load-demo.ts', {
      env: { DATABASE_URL: databaseUrl, ADMIN_DATABASE_URL: cluster.adminUrl, DEMO_DAY: '2026-11-25' },
    });
    server = await startServer({ databaseUrl, port: await freePort(), env: { LOG_LEVEL: 'silent' } });
    await runTs('scripts/take-shots.ts', { env: { ADDRESS: server.address, CHROMIUM: chromium } });
  } finally {
    await server?.stop();
    cluster.stop();
  }
});
