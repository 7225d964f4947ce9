import type { Knex } from 'knex';

/** Where a setting stood and where it was put, for what was done that moved one. */
export async function up(db: Knex): Promise<void> {
  await db.raw('alter table system_events add column change jsonb');
}

export async function down(db: Knex): Promise<void> {
  await db.raw('alter table system_events drop column change');
}
