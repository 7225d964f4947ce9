import type { Knex } from 'knex';

/**
 * A firm's past from spreadsheets: the file and how it is read, what would become of each of its rows, the systems it would
 * add; and on what came in, by which import, so that the whole of it can be taken back.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table imports (
      id uuid primary key,
      firm_id uuid not null references firms,
      person_id uuid not null references people,
      name text not null,
      file bytea not null,
      headers text[] not null,
      sample jsonb not null,
      whats text[] not null,
      mapping jsonb not null,
      profile text,
      state text not null,
      stopping boolean not null default false,
      asked_at timestamptz not null,
      beat_at timestamptz,
      ended_at timestamptz,
      done integer not null default 0,
      total integer not null default 0,
      done_up_to integer not null default 0,
      judged_up_to uuid,
      touched uuid[] not null default '{}',
      outcomes jsonb,
      chosen integer not null default 0,
      readings integer not null default 0,
      systems integer not null default 0,
      error text
    );
    create index imports_of_firm on imports (firm_id, asked_at desc);
    create table import_rows (
      import_id uuid not null references imports on delete cascade,
      line integer not null,
      outcome text not null check (outcome in ('comes', 'questioned', 'refused')),
      chosen boolean not null,
      why text[] not null,
      cells text[] not null,
      prepared jsonb,
      primary key (import_id, line)
    );
    create index import_rows_by_outcome on import_rows (import_id, outcome, line);
    create table import_systems (
      import_id uuid not null references imports on delete cascade,
      system_id uuid not null,
      system jsonb not null,
      primary key (import_id, system_id)
    );
    create table import_profiles (
      firm_id uuid not null references firms,
      name text not null,
      headers text[] not null,
      mapping jsonb not null,
      kept_at timestamptz not null,
      primary key (firm_id, name)
    );
    alter table customers add column import_id uuid references imports;
    alter table systems add column import_id uuid references imports;
    alter table visits add column import_id uuid references imports;
    alter table readings add column import_id uuid references imports;
    create index customers_of_import on customers (import_id) where import_id is not null;
    create index systems_of_import on systems (import_id) where import_id is not null;
    create index visits_of_import on visits (import_id) where import_id is not null;
    create index readings_of_import on readings (import_id) where import_id is not null;
  `);
}

export async function down(db: Knex): Promise<void> {
  await db.raw(`
    alter table readings drop column import_id;
    alter table visits drop column import_id;
    alter table systems drop column import_id;
    alter table customers drop column import_id;
    drop table import_profiles;
    drop table import_systems;
    drop table import_rows;
    drop table imports;
  `);
}
