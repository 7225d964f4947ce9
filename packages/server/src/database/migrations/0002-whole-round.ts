import type { Knex } from 'knex';
import { v7 } from 'uuid';
import { partsThen, POLICY_THEN, type SystemThen } from './0002-parts.ts';

/** Loose ends, follow-ups, photos, pressure tables, and what a probe's value was taken from. */
const TABLES = `
    alter table readings add column probes jsonb;
    alter table visits add column season text;
    create table loose_ends (
      id uuid primary key,
      firm_id uuid not null references firms,
      visit_id uuid not null references visits,
      system_id uuid not null references systems,
      code text,
      text text not null,
      opened_at timestamptz not null,
      put_back_at timestamptz,
      left_because text
    );
    create index loose_ends_by_visit on loose_ends (visit_id);
    create index loose_ends_by_system on loose_ends (system_id);
    create table follow_ups (
      id uuid primary key,
      firm_id uuid not null references firms,
      visit_id uuid not null references visits,
      system_id uuid not null references systems,
      component_id uuid not null references components,
      kind text not null,
      point text not null,
      method text not null,
      reason text not null,
      note text,
      due_on date not null,
      put_off_at timestamptz not null,
      done_by uuid references readings,
      withdrawn boolean not null default false
    );
    create index follow_ups_by_system on follow_ups (system_id);
    create index follow_ups_to_do on follow_ups (firm_id, due_on) where done_by is null and not withdrawn;
    create index follow_ups_of_part on follow_ups (component_id) where done_by is null and not withdrawn;
    create table photos (
      id uuid primary key,
      firm_id uuid not null references firms,
      system_id uuid not null references systems,
      visit_id uuid references visits,
      component_id uuid references components,
      person_id uuid not null references people,
      subject text not null,
      note text,
      taken_at timestamptz not null,
      width integer not null,
      height integer not null,
      mime text not null,
      digest text not null,
      bytes bytea not null,
      thumb bytea not null
    );
    create index photos_by_system on photos (system_id, taken_at);
    create table refrigerants (
      firm_id uuid not null references firms,
      name text not null,
      estimate boolean not null,
      source text not null,
      points jsonb not null,
      loaded_by uuid not null references people,
      loaded_at timestamptz not null default now(),
      primary key (firm_id, name)
    );
`;

/** Systems entered before this have only the parts that were known of then: the others are added. */
async function addParts(db: Knex): Promise<void> {
  const systems = await db('systems').select<
    (SystemThen & { id: string; firm_id: string; installed_on: string | null })[]
  >('id', 'firm_id', 'kind', 'plate', 'installed_on');
  for (const system of systems) {
    const known = await db('components').where({ system_id: system.id }).select<{ slot: string }[]>('slot');
    const slots = new Set(known.map((c) => c.slot));
    const missing = partsThen(system).filter((c) => !slots.has(c.slot));
    if (missing.length === 0) continue;
    await db('components').insert(
      missing.map((part) => ({
        id: v7(),
        firm_id: system.firm_id,
        system_id: system.id,
        slot: part.slot,
        kind: part.kind,
        plate: JSON.stringify(part.plate),
        fitted_on: system.installed_on,
      })),
    );
  }
}

/** A firm keeps its own settings; those that are new start as the usual ones. */
async function completePolicies(db: Knex): Promise<void> {
  const firms = await db('firms').select<{ id: string; policy: object }[]>('id', 'policy');
  for (const firm of firms) {
    await db('firms')
      .where({ id: firm.id })
      .update({ policy: JSON.stringify({ ...POLICY_THEN, ...firm.policy }) });
  }
}

export async function up(db: Knex): Promise<void> {
  await db.raw(TABLES);
  await completePolicies(db);
  await addParts(db);
}

export async function down(db: Knex): Promise<void> {
  await db.raw('drop table refrigerants, photos, follow_ups, loose_ends');
  await db.raw('alter table readings drop column probes; alter table visits drop column season');
}
