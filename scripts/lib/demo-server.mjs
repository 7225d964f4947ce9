import { ensureBuild } from './build.mjs';
import { freePort, startCluster } from './cluster.mjs';
import { ensureChromium } from './packages.mjs';
import { runTs, startServer } from './server.mjs';

/** The day the firm is loaded for, and the moment its server's clock starts at. */
const DAY = '2026-11-25';
const CLOCK_FROM = `${DAY}T15:00:00Z`;

/** Runs a TypeScript file beside a fresh demo firm of a fixed day: it is told the server's ADDRESS and the browser, CHROMIUM. */
export async function besideDemo(file, env = {}) {
  const chromium = await ensureChromium();
  await ensureBuild();
  const cluster = await startCluster('shots', { durable: false, fresh: true });
  let server;
  try {
    const databaseUrl = cluster.url('yarnix');
    await runTs('scripts/load-demo.ts', {
      env: { DATABASE_URL: databaseUrl, ADMIN_DATABASE_URL: cluster.adminUrl, DEMO_DAY: DAY },
    });
    server = await startServer({
      databaseUrl,
      port: await freePort(),
      env: { LOG_LEVEL: 'silent', CLOCK_FROM, ...env },
    });
    await runTs(file, { env: { ADDRESS: server.address, CHROMIUM: chromium } });
  } finally {
    await server?.stop();
    cluster.stop();
  }
}
