import type { Knex } from 'knex';
import { connect } from './connection.ts';

const quote = (name: string): string => `"${name.replace(/"/g, '""')}"`;

async function onAdmin<T>(adminUrl: string, work: (db: Knex) => Promise<T>): Promise<T> {
  const db = connect(adminUrl, 1, { patient: true });
  try {
    return await work(db);
  } finally {
    await db.destroy();
  }
}

/** Creates a database unless it is there; a template gives it schema and data at once. */
export const createDatabase = (adminUrl: string, name: string, template?: string): Promise<void> =>
  onAdmin(adminUrl, async (db) => {
    const there: unknown = await db('pg_database').where({ datname: name }).first('datname');
    if (!there) await db.raw(`create database ${quote(name)}${template ? ` template ${quote(template)}` : ''}`);
  });

/**
 * Drops a database, and ends what this role still has open on it. Not by `with (force)`: that is refused while the server's
 * own cleaning is at work there, which a plain drop sends away.
 */
export const dropDatabase = (adminUrl: string, name: string): Promise<void> =>
  onAdmin(adminUrl, async (db) => {
    await db('pg_stat_activity')
      .where({ datname: name, backend_type: 'client backend' })
      .whereRaw('usename = current_user')
      .select(db.raw('pg_terminate_backend(pid)'));
    await db.raw(`drop database if exists ${quote(name)}`);
  });

/** The address of another database on the same server. */
export const databaseUrl = (admin: string, name: string): string => {
  const url = new URL(admin);
  url.pathname = `/${name}`;
  return url.toString();
};
