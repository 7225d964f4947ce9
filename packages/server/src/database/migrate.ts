import type { Knex } from 'knex';
import * as foundations from './migrations/0001-foundations.ts';

const MIGRATIONS: Readonly<Record<string, Knex.Migration>> = { '0001-foundations': foundations };

/** A fixed list, so that migrations are found alike from source, under tests and when bundled. */
const source: Knex.MigrationSource<string> = {
  getMigrations: () => Promise.resolve(Object.keys(MIGRATIONS)),
  getMigrationName: (name) => name,
  getMigration: (name) => {
    const migration = MIGRATIONS[name];
    return migration ? Promise.resolve(migration) : Promise.reject(new Error(`no migration ${name}`));
  },
};

/** Brings the database to the newest schema. */
export const migrate = (db: Knex): Promise<unknown> => db.migrate.latest({ migrationSource: source });
