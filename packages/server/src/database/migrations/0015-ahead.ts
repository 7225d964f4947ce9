import type { Knex } from 'knex';

/**
 * A part's chance of being past its limit from its last reading on, so that rounds can be ordered by what a wait may cost on
 * any day. Where it is missing, the chance by the next round stands for it until the next refit.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`alter table components add column ahead jsonb check (jsonb_typeof(ahead -> 'chances') = 'array')`);
}

export async function down(db: Knex): Promise<void> {
  await db.raw('alter table components drop column ahead');
}
