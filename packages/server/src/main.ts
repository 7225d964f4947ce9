import { createServer } from 'node:http';
import pino from 'pino';
import { createApp } from './app.ts';
import { connect } from './database/connection.ts';
import { migrate } from './database/migrate.ts';

const { DATABASE_URL, PORT = '4870', WEB_DIST, LOG_LEVEL = 'info', PROBE_SPEED = '1' } = process.env;
const log = pino({ level: LOG_LEVEL });
if (!DATABASE_URL) {
  log.fatal('DATABASE_URL is missing');
  process.exit(1);
}

const db = connect(DATABASE_URL);
await migrate(db);
const server = createServer(createApp({ db, log, webDist: WEB_DIST, probeSpeed: Number(PROBE_SPEED) || 1 }));
server.listen(Number(PORT), '127.0.0.1', () => log.info(`listening on http://127.0.0.1:${PORT}`));

/** Lets requests under way finish, then closes the pool. */
function shutDown(): void {
  server.close(() => void db.destroy().then(() => process.exit(0)));
  server.closeIdleConnections();
  setTimeout(() => process.exit(0), 5000).unref();
}
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, shutDown);
