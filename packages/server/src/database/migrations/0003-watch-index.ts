import type { Knex } from 'knex';

/**
 * A system has some fifteen parts now, most of them sound: the Watch's index holds just what its queries ask for, so that
 * page, counts and van list are read from it alone.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    drop index components_watch;
    create index components_watch on components (firm_id, severity, urgency desc, id)
      include (system_id, part_label) where removed_on is null and lead is not null;
    create index components_living on components (firm_id) where removed_on is null;
  `);
}

export async function down(db: Knex): Promise<void> {
  await db.raw(`
    drop index components_living;
    drop index components_watch;
    create index components_watch on components (firm_id, severity, urgency desc, id) where removed_on is null;
  `);
}
