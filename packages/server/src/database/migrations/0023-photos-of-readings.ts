import type { Knex } from 'knex';

/** A photo may show what one reading rests on. */
export const up = (db: Knex) =>
  db.raw(`
    alter table photos add column reading_id uuid references readings on delete set null;
    create index photos_by_reading on photos (reading_id) where reading_id is not null;
  `);

export const down = (db: Knex) => db.raw(`alter table photos drop column reading_id`);
