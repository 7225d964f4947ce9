import { createApp } from './app.ts';
import { connect } from './database/connection.ts';
import { migrate } from './database/migrate.ts';
import { clockFrom, environmentFrom } from './environment.ts';
import { httpServer } from './http/listen.ts';
import { jobQueue } from './jobs/queue.ts';
import { jobRunner } from './jobs/runner.ts';
import { createLog } from './log.ts';

const read = environmentFrom(process.env);
if ('trouble' in read) {
  process.stderr.write(`${read.trouble}\n`);
  process.exit(1);
}
const { environment } = read;
const { DATABASE_URL, PORT, WEB_DIST, LOG_LEVEL, PROBE_SPEED, AUTO_REFIT, ALLOWED_HOSTS, CLOCK_FROM } = environment;
const now = clockFrom(CLOCK_FROM);
const log = createLog(LOG_LEVEL);

const db = connect(DATABASE_URL);
const jobs = jobQueue(db, { keeping: true, onError: (error) => log.error({ err: error }, 'the queue of jobs failed') });
const server = httpServer(
  createApp({
    db,
    log,
    now,
    jobs,
    webDist: WEB_DIST,
    probeSpeed: PROBE_SPEED,
    countedEveryMs: 3000,
    hosts: ALLOWED_HOSTS,
  }),
);
try {
  await migrate(db);
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(PORT, '127.0.0.1', resolve);
  });
} catch (error) {
  log.fatal({ err: error }, 'the server cannot start');
  process.exit(1);
}
log.info(`listening on http://127.0.0.1:${PORT}`);

const runner = jobRunner({
  db,
  jobs,
  url: DATABASE_URL,
  log,
  now,
  workers: environment.REFIT_WORKERS,
  pool: { priority: environment.REFIT_PRIORITY },
});
runner
  .start(AUTO_REFIT === 'on')
  .catch((error: unknown) => log.error({ err: error }, 'work off the request path cannot start'));

/** Lets requests under way finish, then closes the pool, and ends with that code. */
function shutDown(code = 0): void {
  server.close(
    () =>
      void runner
        .stop()
        .then(() => db.destroy())
        .catch((error: unknown) => log.error({ err: error }, 'not all of it could be closed'))
        .finally(() => process.exit(code)),
  );
  server.closeIdleConnections();
  // Streams under way would hold it open for as long as somebody listens.
  setTimeout(() => server.closeAllConnections(), 2000).unref();
  setTimeout(() => process.exit(code), 5000).unref();
}
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => shutDown());

// What is thrown where nobody waits for it leaves nobody knows what behind: requests under way are finished, and whoever watches
// over the server starts it anew. What is thrown while that goes on is told, and changes nothing.
let isBroken = false;
const breakDown = (error: unknown, words: string) => {
  log.fatal({ err: error }, words);
  if (!isBroken) shutDown(1);
  isBroken = true;
};
process.on('uncaughtException', (error) => breakDown(error, 'thrown where nobody waits for it'));
process.on('unhandledRejection', (error) => breakDown(error, 'rejected where nobody waits for it'));
