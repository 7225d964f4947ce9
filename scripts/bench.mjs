import { ensureBuild } from './lib/build.mjs';
import { freePort, startCluster } from './lib/cluster.mjs';
import { ensureChromium, ensureNpmPackages } from './lib/packages.mjs';
import { runMain, say } from './lib/say.mjs';
import { runTs, startServer } from './lib/server.mjs';

/** The first load in a real browser, from a server with the demo firm. */
async function web() {
  const chromium = await ensureChromium();
  await ensureBuild();
  const cluster = await startCluster('shots', { durable: false, fresh: true });
  let server;
  try {
    const databaseUrl = cluster.url('yarnix');
    await runTs('scripts/load-demo.ts', {
      env: { DATABASE_URL: databaseUrl, ADMIN_DATABASE_URL: cluster.adminUrl, DEMO_DAY: '2026-11-25' },
    });
    server = await startServer({
      databaseUrl,
      port: await freePort(),
      env: { LOG_LEVEL: 'silent', AUTO_REFIT: 'off' },
    });
    await runTs('scripts/bench/web.ts', { env: { ADDRESS: server.address, CHROMIUM: chromium } });
  } finally {
    await server?.stop();
    cluster.stop();
  }
}

/** npm run bench [-- --fresh] [web]: fills a database to the planned size once, then measures; or the first load in a browser. */
await runMain(async () => {
  await ensureNpmPackages();
  if (process.argv.includes('web')) return web();
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
