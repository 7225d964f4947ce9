import knex, { type Knex } from 'knex';
import pg from 'pg';

const DATE_OID = 1082;
// A calendar date has no time zone: keep "2026-04-15" as it is instead of a moment in the server's zone.
pg.types.setTypeParser(DATE_OID, (text: string) => text);

/** A pool of connections to the database at that URL. */
export const connect = (url: string, poolSize = 12): Knex =>
  knex({ client: 'pg', connection: url, pool: { min: 0, max: poolSize } });
