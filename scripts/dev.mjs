import { freePort, startCluster } from './lib/cluster.mjs';
import { ensureNpmPackages } from './lib/packages.mjs';
import { run } from './lib/run.mjs';
import { runMain, say } from './lib/say.mjs';
import { runTs, spawnTs } from './lib/server.mjs';

/** npm run dev: the demo firm, the server restarting and the web app reloading as sources change. */
await runMain(async () => {
  await ensureNpmPackages();
  const cluster = await startCluster('demo');
  const databaseUrl = cluster.url('yarnix');
  let server;
  let stopping = false;
  const stop = () => {
    if (stopping) return;
    stopping = true;
    server?.kill('SIGTERM');
    cluster.stop();
    process.exit(0);
  };
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, stop);
  await runTs('scripts/load-demo.ts', { env: { DATABASE_URL: databaseUrl, ADMIN_DATABASE_URL: cluster.adminUrl } });
  const port = await freePort(4871);
  server = spawnTs('packages/server/src/main.ts', {
    env: { DATABASE_URL: databaseUrl, PORT: String(port) },
    watch: true,
  });
  say('the API restarts and the web app reloads as you save; Ctrl-C stops both');
  await run('npm', ['run', '--silent', 'dev', '--workspace', 'packages/web'], {
    env: { ...process.env, API_ADDRESS: `http://127.0.0.1:${port}` },
  });
  stop();
});
