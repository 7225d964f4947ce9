import { createServer } from 'node:http';
import pino from 'pino';
import { createApp } from './app.ts';
import { connect } from './database/connection.ts';
import { migrate } from './database/migrate.ts';
import { jobRunner } from './jobs/runner.ts';

const {
  DATABASE_URL,
  PORT = '4870',
  WEB_DIST,
  LOG_LEVEL = 'info',
  PROBE_SPEED = '1',
  REFIT_WORKERS = '2',
  AUTO_REFIT = 'on',
} = process.env;
const log = pino({ level: LOG_LEVEL });
if (!DATABASE_URL) {
  log.fatal('DATABASE_URL is missing');
  process.exit(1);
}

const db = connect(DATABASE_URL);
await migrate(db);
const server = createServer(
  createApp({ db, log, webDist: WEB_DIST, probeSpeed: Number(PROBE_SPEED) || 1, countedEveryMs: 3000 }),
);
server.listen(Number(PORT), '127.0.0.1', () => log.info(`listening on http://127.0.0.1:${PORT}`));

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
  setTimeout(() => process.exit(0), 5000).unref();
}
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, shutDown);
