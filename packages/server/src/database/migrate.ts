import type { Knex } from 'knex';
import * as foundations from './migrations/0001-foundations.ts';
import * as wholeRound from './migrations/0002-whole-round.ts';
import * as watchIndex from './migrations/0003-watch-index.ts';
import * as threads from './migrations/0004-threads.ts';
import * as bounds from './migrations/0005-bounds.ts';
import * as findings from './migrations/0006-findings.ts';
import * as words from './migrations/0007-words.ts';
import * as movedSettings from './migrations/0008-moved-settings.ts';
import * as moreParts from './migrations/0009-more-parts.ts';
import * as rulings from './migrations/0010-rulings.ts';
import * as schools from './migrations/0011-schools.ts';
import * as meters from './migrations/0012-meters.ts';
import * as calls from './migrations/0013-calls.ts';
import * as jobs from './migrations/0014-jobs.ts';
import * as ahead from './migrations/0015-ahead.ts';
import * as calendars from './migrations/0016-calendars.ts';
import * as vans from './migrations/0017-vans.ts';
import * as days from './migrations/0018-days.ts';
import * as reports from './migrations/0019-reports.ts';
import * as imports from './migrations/0020-imports.ts';
import * as feed from './migrations/0021-feed.ts';
import * as ownSchools from './migrations/0022-own-schools.ts';
import * as photosOfReadings from './migrations/0023-photos-of-readings.ts';
import * as countedAddresses from './migrations/0024-counted-addresses.ts';
import * as texts from './migrations/0025-texts.ts';
import * as restores from './migrations/0026-restores.ts';

const MIGRATIONS: Readonly<Record<string, Knex.Migration>> = {
  '0001-foundations': foundations,
  '0002-whole-round': wholeRound,
  '0003-watch-index': watchIndex,
  '0004-threads': threads,
  '0005-bounds': bounds,
  '0006-findings': findings,
  '0007-words': words,
  '0008-moved-settings': movedSettings,
  '0009-more-parts': moreParts,
  '0010-rulings': rulings,
  '0011-schools': schools,
  '0012-meters': meters,
  '0013-calls': calls,
  '0014-jobs': jobs,
  '0015-ahead': ahead,
  '0016-calendars': calendars,
  '0017-vans': vans,
  '0018-days': days,
  '0019-reports': reports,
  '0020-imports': imports,
  '0021-feed': feed,
  '0022-own-schools': ownSchools,
  '0023-photos-of-readings': photosOfReadings,
  '0024-counted-addresses': countedAddresses,
  '0025-texts': texts,
  '0026-restores': restores,
};

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
