import type { Knex } from 'knex';

/**
 * How a firm came to its schools: each change whole, so that it can be taken back; and what other schools would change,
 * worked out off the request path. A refit notes from which schools it began, so that it begins anew when they change.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table firms add column policy_revision integer not null default 0;
    alter table refits add column policy_revision integer not null default 0;

    create table policy_changes (
      id uuid primary key,
      firm_id uuid not null references firms,
      person_id uuid not null references people,
      revision integer not null,
      before jsonb not null,
      after jsonb not null,
      undoes uuid references policy_changes,
      at timestamptz not null,
      unique (firm_id, revision)
    );

    -- One a firm: whoever asks anew is no longer interested in the one before.
    create table policy_previews (
      id uuid primary key,
      firm_id uuid not null unique references firms,
      policy jsonb not null,
      state text not null,
      done integer not null default 0,
      total integer not null default 0,
      parts integer not null default 0,
      changing integer not null default 0,
      changes jsonb not null default '[]',
      done_up_to uuid,
      asked_at timestamptz not null,
      beat_at timestamptz
    );
  `);
}

export async function down(db: Knex): Promise<void> {
  await db.raw(`
    drop table policy_previews, policy_changes;
    alter table refits drop column policy_revision;
    alter table firms drop column policy_revision;
  `);
}
