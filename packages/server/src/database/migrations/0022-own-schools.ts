import type { Knex } from 'knex';

/** A part may have any school for itself, and not only a capacitor its tolerance. */
export const up = (db: Knex) =>
  db.raw(`update components
    set plate = (plate - 'school') || jsonb_build_object('schools', jsonb_build_object('capacitor-tolerance', plate -> 'school'))
    where plate -> 'school' is not null`);

export const down = (db: Knex) =>
  db.raw(`update components
    set plate = (plate - 'schools') || case when plate -> 'schools' -> 'capacitor-tolerance' is not null
      then jsonb_build_object('school', plate -> 'schools' -> 'capacitor-tolerance') else '{}'::jsonb end
    where plate -> 'schools' is not null`);
