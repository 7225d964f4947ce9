import type { Knex } from 'knex';

/** Secret links to the report of a visit, of which only a digest is kept; and what a firm writes at the head of its reports. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table report_links (
      digest text primary key,
      firm_id uuid not null references firms,
      visit_id uuid not null unique references visits,
      person_id uuid not null references people,
      made_at timestamptz not null
    );
    alter table firms add column report_head jsonb;
  `);
}

export async function down(db: Knex): Promise<void> {
  await db.raw('alter table firms drop column report_head; drop table report_links;');
}
