import type { Knex } from 'knex';

/** A visit may be a call, or become one: what it is about, what was doubted or repaired, and how it ended. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table visits add column call jsonb check (call is null or jsonb_typeof(call) = 'object');
    create index visits_with_outcome on visits (firm_id) where jsonb_typeof(call -> 'outcome') = 'object';
  `);
}

export async function down(db: Knex): Promise<void> {
  await db.raw('drop index visits_with_outcome; alter table visits drop column call');
}
