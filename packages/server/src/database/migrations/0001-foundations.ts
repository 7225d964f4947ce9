import type { Knex } from 'knex';

/** Firms, people, customers, systems, parts with their lives, visits and readings. Every row carries its firm. */
const TABLES = `
    create table firms (
      id uuid primary key,
      name text not null,
      zone text not null,
      policy jsonb not null
    );
    create table people (
      id uuid primary key,
      firm_id uuid not null references firms,
      position integer not null,
      name text not null,
      initials text not null
    );
    create table customers (
      id uuid primary key,
      firm_id uuid not null references firms,
      name text not null
    );
    create table systems (
      id uuid primary key,
      firm_id uuid not null references firms,
      customer_id uuid not null references customers,
      address text not null,
      area text,
      kind text not null,
      plate jsonb not null,
      installed_on date,
      digest text not null,
      created_by uuid not null references people,
      created_at timestamptz not null default now()
    );
    create index systems_by_firm on systems (firm_id, address);

    -- One row is one life of a part; its standing is kept up to date with every reading.
    create table components (
      id uuid primary key,
      firm_id uuid not null references firms,
      system_id uuid not null references systems,
      slot text not null,
      kind text not null,
      plate jsonb not null,
      part_label text,
      fitted_on date,
      fitted_by uuid references people,
      removed_on date,
      removed_reason text,
      replaces uuid references components,
      overruled_because text,
      digest text,
      standing text not null default 'unproven',
      severity smallint not null default 1,
      urgency real not null default 0,
      chance real not null default 0,
      lead jsonb
    );
    create index components_by_system on components (system_id);
    create unique index components_one_living on components (system_id, slot) where removed_on is null;
    create unique index components_replaced_once on components (replaces) where replaces is not null;
    create index components_watch on components (firm_id, severity, urgency desc, id) where removed_on is null;

    create table visits (
      id uuid primary key,
      firm_id uuid not null references firms,
      system_id uuid not null references systems,
      person_id uuid not null references people,
      started_at timestamptz not null,
      closed_at timestamptz,
      note text
    );
    create index visits_by_system on visits (system_id, started_at);
    create index visits_by_firm on visits (firm_id, started_at desc);
    create index visits_open on visits (firm_id, started_at desc) where closed_at is null;

    -- Never updated: a correction is a new row that supersedes.
    create table readings (
      id uuid primary key,
      firm_id uuid not null references firms,
      system_id uuid not null references systems,
      visit_id uuid not null references visits,
      component_id uuid not null references components,
      person_id uuid not null references people,
      kind text not null,
      point text not null,
      method text not null,
      inputs jsonb not null,
      value double precision,
      finding text,
      conditions jsonb not null,
      confirmed boolean not null,
      note text,
      taken_at timestamptz not null,
      supersedes uuid references readings,
      digest text not null,
      created_at timestamptz not null default now()
    );
    create index readings_by_system on readings (system_id);
    create index readings_by_component on readings (component_id);
    create index readings_by_visit on readings (visit_id);
    create unique index readings_superseded_once on readings (supersedes) where supersedes is not null;
`;

export async function up(db: Knex): Promise<void> {
  await db.raw(TABLES);
}

export async function down(db: Knex): Promise<void> {
  await db.raw('drop table readings, visits, components, systems, customers, people, firms');
}
