import knex, { type Knex } from 'knex';
import pg from 'pg';
import { refuseWithin } from './transaction.ts';

const DATE_OID = 1082;
// A calendar date has no time zone: keep "2026-04-15" as it is instead of a moment in the server's zone.
pg.types.setTypeParser(DATE_OID, (text: string) => text);

/** How long is waited for the database before the person is told that it is not there, ms. */
const CONNECT_MS = 4000;
const ACQUIRE_MS = 6000;
/** The same for work that nobody waits for: its threads come last on a busy machine, and connecting takes them long. */
const PATIENT_MS = 60_000;
/** Nothing that a request asks takes so long; a lock not had by then is not coming, ms. */
const STATEMENT_MS = 20_000;
const LOCK_MS = 10_000;

const silent = (): void => undefined;

/** A pool of connections to the database at that URL. `patient` for long work that nobody waits for. */
export const connect = (url: string, poolSize = 12, { patient = false } = {}): Knex => {
  const pool = knex({
    client: 'pg',
    connection: {
      connectionString: url,
      connectionTimeoutMillis: patient ? PATIENT_MS : CONNECT_MS,
      keepAlive: true,
      ...(patient ? {} : { statement_timeout: STATEMENT_MS, lock_timeout: LOCK_MS }),
    },
    acquireConnectionTimeout: patient ? PATIENT_MS : ACQUIRE_MS,
    pool: { min: 0, max: poolSize },
    // What befalls a connection reaches whoever asks through it; the pool replaces those that nobody is using.
    log: { warn: silent, error: silent, deprecate: silent, debug: silent },
  });
  return refuseWithin(pool);
};
