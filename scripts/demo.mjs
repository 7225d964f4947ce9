import { ensureBuild } from './lib/build.mjs';
import { freePort, startCluster } from './lib/cluster.mjs';
import { ensureNpmPackages } from './lib/packages.mjs';
import { runMain, say } from './lib/say.mjs';
import { runTs, startServer } from './lib/server.mjs';

/** npm run demo [-- --fresh]: everything from a bare machine to the app with the demo firm in it. */
await runMain(async () => {
  const began = Date.now();
  const fresh = process.argv.includes('--fresh');
  await ensureNpmPackages();
  const cluster = await startCluster('demo', { fresh });
  let server;
  let stopping = false;
  const stop = async (code) => {
    if (stopping) return;
    stopping = true;
    say('stopping');
    await server?.stop();
    cluster.stop();
    process.exit(code);
  };
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void stop(0));
  try {
    const databaseUrl = cluster.url('yarnix');
    await runTs('scripts/load-demo.ts', { env: { DATABASE_URL: databaseUrl, ADMIN_DATABASE_URL: cluster.adminUrl } });
    await ensureBuild();
    const port = await freePort(Number(process.env.PORT ?? 4870));
    server = await startServer({ databaseUrl, port, env: { LOG_LEVEL: process.env.LOG_LEVEL ?? 'warn' } });
    say(`ready after ${((Date.now() - began) / 1000).toFixed(1)} s: ${server.address} (Ctrl-C stops it)`);
    server.ended.then(() => stop(1));
  } catch (error) {
    if (!stopping) {
      await server?.stop();
      cluster.stop();
    }
    throw error;
  }
});
