import { fleetPriorFrom, policyFrom } from '@yarnix/core';
import type { Knex } from 'knex';
import { inTransaction } from '../database/transaction.ts';
import { IMPORT_COLUMNS, type ImportLine } from '../features/imports/store.ts';
import type { CheckEnd } from './import-check.ts';
import { chunksOf } from './slices.ts';
import type { WorkerPool } from './worker-pool.ts';

/** Rows that come in at a time, and systems judged at a time. */
const ROWS_AT_A_TIME = 4000;
const CHUNK = 24;
/** A slice lasts about so long, ms. */
const SLICE_MS = 15_000;

interface Working {
  readonly db: Knex;
  readonly pool: WorkerPool;
  readonly row: ImportLine;
  readonly now: Date;
}

const note = ({ db, row }: Pick<Working, 'db' | 'row'>, state: Record<string, unknown>) =>
  db('imports')
    .where({ id: row.id })
    .update({ ...state, beat_at: db.fn.now() });

const isStopping = async ({ db, row }: Working): Promise<boolean> =>
  (await db('imports').where({ id: row.id }).first<{ stopping: boolean } | undefined>('stopping'))?.stopping ?? true;

/**
 * What is written for the chosen rows between two lines, in the order in which one rests on the other; the same again writes
 * nothing more.
 */
const WRITES = [
  `create temporary table coming on commit drop as
     select v.id as visit_id, v.system_id, v.person_id, v.started_at, v.closed_at, r.*
     from import_rows, jsonb_to_record(prepared->'visit')
         as v(id uuid, system_id uuid, person_id uuid, started_at timestamptz, closed_at timestamptz),
       jsonb_to_recordset(prepared->'readings') as r(id uuid, component_id uuid, kind text, point text, method text,
         inputs jsonb, value double precision, findings jsonb, conditions jsonb, confirmed boolean, note text,
         taken_at timestamptz, digest text, instruments jsonb)
     where import_id = :id and chosen and prepared is not null and line > :from and line <= :to`,
  `create temporary table made on commit drop as
     select m.system as s from import_systems m
     where m.import_id = :id and m.system_id in (select system_id from coming)`,
  `insert into customers (id, firm_id, name, import_id)
     select (s->'customer'->>'id')::uuid, :firm, s->'customer'->>'name', :id from made on conflict do nothing`,
  `insert into systems (id, firm_id, customer_id, address, area, kind, plate, installed_on, digest, created_by, import_id)
     select (s->>'id')::uuid, :firm, (s->'customer'->>'id')::uuid, s->>'address', s->>'area', s->>'kind', s->'plate',
       (s->>'installed_on')::date, s->>'digest', :person, :id from made on conflict do nothing`,
  `insert into components (id, firm_id, system_id, slot, kind, plate, part_label, fitted_on, fitted_by)
     select p.id, :firm, (s->>'id')::uuid, p.slot, p.kind, p.plate, p.part_label, p.fitted_on, :person
     from made, jsonb_to_recordset(s->'parts')
       as p(id uuid, slot text, kind text, plate jsonb, part_label text, fitted_on date) on conflict do nothing`,
  `insert into visits (id, firm_id, system_id, person_id, started_at, closed_at, import_id)
     select distinct visit_id, :firm::uuid, system_id, person_id, started_at, closed_at, :id::uuid from coming
     on conflict do nothing`,
  `insert into readings (id, firm_id, system_id, visit_id, component_id, person_id, kind, point, method, inputs, value,
       findings, conditions, confirmed, note, taken_at, digest, instruments, import_id)
     select id, :firm, system_id, visit_id, component_id, person_id, kind, point, method, inputs, value,
       array(select jsonb_array_elements_text(findings)), conditions, confirmed, note, taken_at, digest,
       nullif(instruments, 'null'::jsonb), :id
     from coming on conflict do nothing`,
];

/** Has the chosen rows come in, so many at a time, each time all of them or none. Tells whether it was asked to stop. */
async function bringIn(working: Working): Promise<'in' | 'stopped'> {
  const { db, row } = working;
  const last = await db('import_rows')
    .where({ import_id: row.id, chosen: true })
    .max<{ last: number | null }[]>('line as last');
  const end = last[0]?.last ?? 0;
  let from = row.done_up_to;
  while (from < end) {
    if (await isStopping(working)) return 'stopped';
    const to = from + ROWS_AT_A_TIME;
    const named = { id: row.id, firm: row.firm_id, person: row.person_id, from, to };
    await inTransaction(db, async (trx) => {
      for (const write of WRITES) await trx.raw(write, named);
      await note({ db: trx, row }, { done_up_to: to, done: Math.min(to, end), total: end });
    });
    from = to;
  }
  return 'in';
}

/** Judges the systems of an import anew, those that are left to judge. */
async function judge(working: Working, until: number): Promise<'more' | 'done'> {
  const { db, pool, row, now } = working;
  const firm = await db('firms')
    .where({ id: row.firm_id })
    .first<{ policy: unknown; prior: unknown }>('policy', 'prior');
  const judging = { policy: policyFrom(firm.policy), prior: fleetPriorFrom(firm.prior).prior };
  const all = [...row.touched].sort();
  const from = row.judged_up_to;
  const left = from === null ? all : all.filter((id) => id > from);
  let done = all.length - left.length;
  for (const group of chunksOf(chunksOf(left, CHUNK), 2 * pool.size)) {
    if (Date.now() > until) return 'more';
    await Promise.all(group.map((ids) => pool.run({ task: 'judge', ids, ...judging, now: now.toISOString() })));
    done += group.flat().length;
    await note(working, { done, total: all.length, judged_up_to: group.at(-1)?.at(-1) ?? null });
  }
  return 'done';
}

const countIn = async (db: Knex, table: string, id: string): Promise<number> => {
  const [counted] = await db(table).where({ import_id: id }).count<{ count: string }[]>('* as count');
  return Number(counted?.count ?? 0);
};

/** Counts what came in, and notes whose systems it is of. */
async function tally(working: Working): Promise<void> {
  const { db, row } = working;
  const touched = await db('readings').where({ import_id: row.id }).distinct('system_id').pluck<string[]>('system_id');
  const counts = { readings: await countIn(db, 'readings', row.id), systems: await countIn(db, 'systems', row.id) };
  await note(working, { ...counts, touched, done: 0, total: touched.length });
  Object.assign(row, { touched });
}

/** Columns of other tables that refer to a row of this one, and so keep it from going. */
async function restingOn(db: Knex, table: string, but: readonly string[]): Promise<{ on: string; by: string }[]> {
  const { rows } = await db.raw<{ rows: { on: string; by: string }[] }>(
    `select k.conrelid::regclass::text as "on", a.attname as by
     from pg_constraint k join pg_attribute a on a.attrelid = k.conrelid and a.attnum = k.conkey[1]
     where k.contype = 'f' and k.confrelid = ?::regclass`,
    [table],
  );
  return rows.filter(({ on }) => !but.includes(on));
}

/** Deletes what an import brought into a table, but for what something else rests on by now. */
async function takeBack(db: Knex, importId: string, table: string, but: readonly string[] = []): Promise<void> {
  const rests = (await restingOn(db, table, but)).map(
    ({ on, by }) => `not exists (select 1 from ${on} o where o."${by}" = t.id)`,
  );
  await db.raw(`delete from ${table} t where t.import_id = ? and ${['true', ...rests].join(' and ')}`, [importId]);
}

/** Takes back all that came in with an import, in one step; parts of systems it made go with them. */
async function undo({ db, row }: Working): Promise<void> {
  await inTransaction(db, async (trx) => {
    await takeBack(trx, row.id, 'readings');
    await takeBack(trx, row.id, 'visits');
    // A system that is left with nothing but its first parts goes, and they with it.
    const rests = await restingOn(trx, 'systems', ['components']);
    const partRests = await restingOn(trx, 'components', ['standing_changes', 'components']);
    const gone = `
      select s.id from systems s where s.import_id = :id
      ${rests.map(({ on, by }) => `and not exists (select 1 from ${on} o where o."${by}" = s.id)`).join(' ')}
      and not exists (select 1 from components k where k.system_id = s.id and (k.replaces is not null or k.removed_on is not null))
      ${partRests.map(({ on, by }) => `and not exists (select 1 from components k join ${on} o on o."${by}" = k.id where k.system_id = s.id)`).join(' ')}`;
    const named = { id: row.id };
    await trx.raw(
      `delete from standing_changes c using components k where k.id = c.component_id and k.system_id in (${gone})`,
      named,
    );
    await trx.raw(`create temporary table going on commit drop as ${gone}`, named);
    await trx.raw('delete from components where system_id in (select id from going)');
    await trx.raw('delete from systems where id in (select id from going)');
    await takeBack(trx, row.id, 'customers');
    const left = { readings: await countIn(trx, 'readings', row.id), systems: await countIn(trx, 'systems', row.id) };
    const there = await trx('systems').whereIn('id', row.touched).pluck<string[]>('id');
    await note({ db: trx, row }, { ...left, touched: there, done: 0, total: there.length, done_up_to: -1 });
    Object.assign(row, { touched: there, done_up_to: -1 });
  });
}

const end = (working: Working, state: ImportLine['state'], also: Record<string, unknown> = {}) =>
  note(working, { state, stopping: false, ended_at: working.now, ...also });

async function check(working: Working): Promise<boolean> {
  const { pool, row, now } = working;
  const came = (await pool.run({ task: 'check-import', importId: row.id, now: now.toISOString() })) as CheckEnd;
  if (typeof came === 'object') await end(working, 'failed', { error: came.failed });
  else await end(working, came === 'checked' ? 'checked' : 'to-map', { ended_at: null });
  return false;
}

const FAILED =
  'It could not be finished. Nothing of what did not come in is lost: look into the server’s log, and try again.';

/** Notes that it could not go on: what came in by then can be taken back, and what is to be taken back can be again. */
export const failImport = (db: Knex, id: string): Promise<unknown> =>
  db('imports')
    .where({ id })
    .update({
      state: db.raw(`case state when 'checking' then 'failed' else 'imported' end`),
      error: FAILED,
      stopping: false,
      ended_at: db.fn.now(),
    });

/** One slice of what an import is at: checking, coming in, or being taken back. Tells whether there is more to do. */
export async function runImportSlice(db: Knex, pool: WorkerPool, id: string, now: Date): Promise<boolean> {
  const row = await db('imports')
    .where({ id })
    .first<ImportLine | undefined>(...IMPORT_COLUMNS);
  if (!row) return false;
  const working = { db, pool, row, now };
  if (row.state === 'checking') return check(working);
  const until = Date.now() + SLICE_MS;
  if (row.state === 'importing') {
    if (row.judged_up_to === null) {
      await bringIn(working);
      await tally(working);
    }
    if ((await judge(working, until)) === 'more') return true;
    await end(working, 'imported');
  }
  if (row.state === 'undoing') {
    if (row.done_up_to !== -1) await undo(working);
    if ((await judge(working, until)) === 'more') return true;
    await end(working, 'undone');
  }
  return false;
}
