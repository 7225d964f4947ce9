import { join } from 'node:path';
import { ensureBuild } from './lib/build.mjs';
import { freePort, startCluster } from './lib/cluster.mjs';
import { ensureNpmPackages } from './lib/packages.mjs';
import { Refusal, runMain, say } from './lib/say.mjs';
import { endOrphan, runTs, startServer } from './lib/server.mjs';

/** How often is looked whether the database is still there, ms. */
const LOOK_EVERY = 3000;

/** Says so when the database has gone, and starts it again; the server answers 503 meanwhile and then goes on by itself. */
function watchOver(cluster, isStopping) {
  const timer = setInterval(async () => {
    if (isStopping() || cluster.isUp()) return;
    clearInterval(timer);
    say('PostgreSQL has stopped; starting it again');
    const back = await cluster.revive().catch(() => false);
    if (isStopping()) return;
    say(back ? 'PostgreSQL is back' : 'PostgreSQL cannot be started again; stop this command and see its log');
    if (back) watchOver(cluster, isStopping);
  }, LOOK_EVERY);
}

/** A server that has not lived so long, ms, did not come up; so many of those in a row are not tried again. */
const LIVED = 10_000;
const MOST_TRIES = 3;

/** Starts a server, and another whenever it ends by itself; `onServer` is told of each. Rejects when none comes up any more. */
async function keepServing(start, onServer, isStopping) {
  for (let short = 0; short < MOST_TRIES;) {
    const began = Date.now();
    const server = await start();
    onServer(server);
    await server.ended;
    if (isStopping()) return;
    short = Date.now() - began < LIVED ? short + 1 : 0;
    say('the server has ended; starting it again');
  }
  throw new Refusal('the server ends again and again; see its lines above.');
}

/** npm run demo [-- --fresh]: everything from a bare machine to the app with the demo firm in it. */
await runMain(async () => {
  const began = Date.now();
  const fresh = process.argv.includes('--fresh');
  await ensureNpmPackages();
  const cluster = await startCluster('demo', { fresh });
  const pidFile = join(cluster.folder, 'server.pid');
  if (await endOrphan(pidFile)) say('ended the server that an earlier command had left behind');
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
    watchOver(cluster, () => stopping);
    await keepServing(
      () => startServer({ databaseUrl, port, pidFile, env: { LOG_LEVEL: process.env.LOG_LEVEL ?? 'warn' } }),
      (started) => {
        if (!server)
          say(`ready after ${((Date.now() - began) / 1000).toFixed(1)} s: ${started.address} (Ctrl-C stops it)`);
        server = started;
      },
      () => stopping,
    );
  } catch (error) {
    if (!stopping) {
      await server?.stop();
      cluster.stop();
    }
    throw error;
  }
});
