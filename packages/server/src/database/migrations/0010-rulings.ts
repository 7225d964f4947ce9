import type { Knex } from 'knex';

/** What a technician put in place of a reading's verdict, with why and who; null where nobody has. */
export async function up(db: Knex): Promise<void> {
  await db.raw('alter table readings add column ruling jsonb');
}

export async function down(db: Knex): Promise<void> {
  await db.raw('alter table readings drop column ruling');
}
