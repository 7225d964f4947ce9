import type { Knex } from 'knex';

/**
 * Calendars that other programs read by a secret link. Of the secret a digest alone is kept. What was told to somebody and is
 * planned otherwise since is kept too, so that the calendar can say that it is called off.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table calendar_links (
      person_id uuid primary key references people,
      firm_id uuid not null references firms,
      digest text not null unique,
      made_at timestamptz not null
    );
    create table calendar_called_off (
      firm_id uuid not null references firms,
      person_id uuid not null references people,
      key text not null,
      day date not null,
      summary text not null,
      sequence integer not null,
      at timestamptz not null,
      primary key (person_id, key)
    );
  `);
}

export async function down(db: Knex): Promise<void> {
  await db.raw('drop table calendar_called_off; drop table calendar_links;');
}
