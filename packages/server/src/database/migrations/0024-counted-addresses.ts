import type { Knex } from 'knex';

/** Addresses sort as people count: 2, 10, 12. */
export const up = (db: Knex) =>
  db.raw(`
    create collation counted (provider = icu, locale = 'en-u-kn-true');
    alter table systems alter column address type text collate counted;
  `);

export const down = (db: Knex) =>
  db.raw(`
    alter table systems alter column address type text collate "default";
    drop collation counted;
  `);
