import type { Knex } from 'knex';

/** A table, what happens to it, and what that is called. `when`: only rows that an update really changes. */
interface Told {
  readonly table: string;
  readonly on: 'insert' | 'delete';
  readonly kind: string;
  readonly system?: string;
  readonly id?: string;
}

const TOLD: readonly Told[] = [
  { table: 'systems', on: 'insert', kind: 'system-entered', system: 'id' },
  { table: 'systems', on: 'delete', kind: 'system-removed', system: 'id' },
  { table: 'visits', on: 'insert', kind: 'visit-started' },
  { table: 'visits', on: 'delete', kind: 'visit-removed' },
  { table: 'readings', on: 'insert', kind: 'reading-taken' },
  { table: 'readings', on: 'delete', kind: 'reading-removed' },
  { table: 'components', on: 'insert', kind: 'part-fitted' },
  { table: 'system_events', on: 'insert', kind: 'repair-noted' },
];

const UPDATES = [
  { table: 'systems', kind: 'plate-changed', system: 'id', when: 'old.plate is distinct from new.plate' },
  {
    table: 'visits',
    kind: 'visit-closed',
    system: 'system_id',
    when: 'old.closed_at is null and new.closed_at is not null',
  },
  { table: 'readings', kind: 'reading-overruled', system: 'system_id', when: 'old.ruling is distinct from new.ruling' },
  {
    table: 'components',
    kind: 'part-removed',
    system: 'system_id',
    when: 'old.removed_on is null and new.removed_on is not null',
  },
  {
    table: 'components',
    kind: 'part-stands-otherwise',
    system: 'system_id',
    when: 'old.standing is distinct from new.standing',
  },
] as const;

const nameOf = ({ table, kind }: { table: string; kind: string }) => `feed_${table}_${kind.replaceAll('-', '_')}`;

/**
 * What happened, for other programs to read on from where they were. It is written by the tables themselves, whoever writes
 * to them, and each row knows its transaction: read only up to the oldest that is still open, none can turn up behind a
 * reader later.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table feed (
      id bigint generated always as identity primary key,
      xact xid8 not null default pg_current_xact_id(),
      firm_id uuid not null references firms,
      kind text not null,
      system_id uuid not null,
      subject uuid not null,
      at timestamptz not null default now()
    );
    create index feed_in_order on feed (firm_id, xact, id);
  `);
  for (const told of TOLD) {
    const rows = told.on === 'insert' ? 'new table as told' : 'old table as told';
    await db.raw(`
      create function ${nameOf(told)}() returns trigger language plpgsql as $$
      begin
        insert into feed (firm_id, kind, system_id, subject)
        select firm_id, '${told.kind}', ${told.system ?? 'system_id'}, id from told;
        return null;
      end $$;
      create trigger ${nameOf(told)} after ${told.on} on ${told.table} referencing ${rows}
        for each statement execute function ${nameOf(told)}();
    `);
  }
  for (const told of UPDATES)
    await db.raw(`
      create function ${nameOf(told)}() returns trigger language plpgsql as $$
      begin
        insert into feed (firm_id, kind, system_id, subject) values (new.firm_id, '${told.kind}', new.${told.system}, new.id);
        return null;
      end $$;
      create trigger ${nameOf(told)} after update on ${told.table}
        for each row when (${told.when}) execute function ${nameOf(told)}();
    `);
}

export async function down(db: Knex): Promise<void> {
  for (const told of [...TOLD, ...UPDATES])
    await db.raw(`drop trigger ${nameOf(told)} on ${told.table}; drop function ${nameOf(told)}();`);
  await db.raw('drop table feed');
}
