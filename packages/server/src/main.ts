import { createApp } from './app.ts';
import { connect } from './database/connection.ts';
import { migrate } from './database/migrate.ts';
import { httpServer } from './http/listen.ts';
import { jobRunner } from './jobs/runner.ts';
import { createLog } from './log.ts';

const {
  DATABASE_URL,
  PORT = '4870',
  WEB_DIST,
  LOG_LEVEL = 'info',
  PROBE_SPEED = '1',
  REFIT_WORKERS = '2',
  AUTO_REFIT = 'on',
  ALLOWED_HOSTS = '',
} = process.env;
const log = createLog(LOG_LEVEL);
if (!DATABASE_URL) {
  log.fatal('DATABASE_URL is missing');
  process.exit(1);
}

// What is thrown where nobody waits for it (a timer, a stream, an event) ends that and not the server; it is a fault all
// the same, and stands in the log as one.
process.on('uncaughtException', (error) => log.error({ err: error }, 'thrown where nobody waits for it'));
process.on('unhandledRejection', (error) => log.error({ err: error }, 'rejected where nobody waits for it'));

const db = connect(DATABASE_URL);
const server = httpServer(
  createApp({
    db,
    log,
    webDist: WEB_DIST,
    probeSpeed: Number(PROBE_SPEED) || 1,
    countedEveryMs: 3000,
    hosts: ALLOWED_HOSTS.split(',').filter(Boolean),
  }),
);
try {
  await migrate(db);
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(Number(PORT), '127.0.0.1', resolve);
  });
} catch (error) {
  log.fatal({ err: error }, 'the server cannot start');
  process.exit(1);
}
log.info(`listening on http://127.0.0.1:${PORT}`);

/** How often work off the request path is looked for, ms. */
const LOOK_EVERY = 1000;
const jobs = jobRunner({
  db,
  url: DATABASE_URL,
  log,
  now: () => new Date(),
  workers: Number(REFIT_WORKERS) || 2,
  everyMs: LOOK_EVERY,
  keepFresh: AUTO_REFIT !== 'off',
});

/** Lets requests under way finish, then closes the pool. */
function shutDown(): void {
  server.close(
    () =>
      void jobs
        .stop()
        .then(() => db.destroy())
        .then(() => process.exit(0)),
  );
  server.closeIdleConnections();
  // Streams under way would hold it open for as long as somebody listens.
  setTimeout(() => server.closeAllConnections(), 2000).unref();
  setTimeout(() => process.exit(0), 5000).unref();
}
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, shutDown);
