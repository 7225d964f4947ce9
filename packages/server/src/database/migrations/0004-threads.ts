import type { Knex } from 'knex';

/**
 * What a firm's fleet has taught, repairs that move readings, parts set aside on the Watch, how standings have changed,
 * and the fitting anew of all threads as work that can be stopped and gone on with.
 */
const TABLES = `
    -- A newest reading is asked for again by its chance of being odd, no longer by its distance.
    update firms set policy = jsonb_set(policy #- '{trend,oddPointDeviations}', '{trend,askAgainChance}', '0.8');
    alter table firms add column prior jsonb, add column prior_learned_at timestamptz;
    -- Counts up with every judgement of a part, so that a judgement from older readings cannot overwrite a newer one.
    alter table components add column revision integer not null default 0;

    create table system_events (
      id uuid primary key,
      firm_id uuid not null references firms,
      system_id uuid not null references systems,
      visit_id uuid not null references visits,
      person_id uuid not null references people,
      kind text not null,
      happened_on date not null,
      note text,
      withdrawn boolean not null default false
    );
    create index system_events_by_system on system_events (system_id) where not withdrawn;

    create table snoozes (
      component_id uuid primary key references components,
      firm_id uuid not null references firms,
      person_id uuid not null references people,
      until date not null,
      reason text not null,
      set_at timestamptz not null
    );
    create index snoozes_by_firm on snoozes (firm_id, until);

    create table standing_changes (
      id bigint generated always as identity primary key,
      firm_id uuid not null references firms,
      component_id uuid not null references components,
      from_standing text not null,
      to_standing text not null,
      at timestamptz not null
    );
    create index standing_changes_by_firm on standing_changes (firm_id, at);
    create index standing_changes_latest on standing_changes (firm_id, id);

    create table refits (
      id uuid primary key,
      firm_id uuid not null references firms,
      person_id uuid references people,
      state text not null,
      wish text,
      done integer not null default 0,
      total integer not null default 0,
      threads integer not null default 0,
      -- Systems up to this id are done: it goes on behind it.
      done_up_to uuid,
      asked_at timestamptz not null,
      beat_at timestamptz,
      ended_at timestamptz,
      error text
    );
    create unique index refits_one_at_a_time on refits (firm_id) where state in ('queued', 'learning', 'judging');
    create index refits_by_firm on refits (firm_id, asked_at desc);

    drop index components_watch;
    create index components_watch on components (firm_id, severity, urgency desc, id)
      include (system_id, part_label, slot) where removed_on is null and lead is not null;
    -- The first page of what is likely to fail, in its order.
    create index components_urgent on components (firm_id, urgency desc, id)
      include (system_id, slot) where removed_on is null and lead is not null and severity >= 2;
`;

export async function up(db: Knex): Promise<void> {
  await db.raw(TABLES);
}

export async function down(db: Knex): Promise<void> {
  await db.raw(`
    drop index components_urgent;
    drop index components_watch;
    create index components_watch on components (firm_id, severity, urgency desc, id)
      include (system_id, part_label) where removed_on is null and lead is not null;
    drop table refits, standing_changes, snoozes, system_events;
    alter table components drop column revision;
    alter table firms drop column prior, drop column prior_learned_at;
  `);
}
