import type { Knex } from 'knex';

/** What each person has in the van, by its name on the shelf. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table van_stock (
      firm_id uuid not null references firms,
      person_id uuid not null references people,
      part text not null check (length(part) between 1 and 60),
      count integer not null check (count between 0 and 999),
      primary key (person_id, part)
    );
  `);
}

export async function down(db: Knex): Promise<void> {
  await db.raw('drop table van_stock');
}
