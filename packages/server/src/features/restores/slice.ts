import { fleetPriorFrom, policyFrom } from '@yarnix/core';
import type { Knex } from 'knex';
import { chunksOf } from '../../jobs/slices.ts';
import { isBeyondBounds, type WorkerPool } from '../../jobs/worker-pool.ts';
import type { RestoreEnd } from './work.ts';

interface Line {
  readonly id: string;
  readonly firm_id: string;
  readonly state: string;
  readonly systems: number;
  readonly judged_up_to: string | null;
  readonly tries: number;
}

export interface Working {
  readonly db: Knex;
  /** Workers for files, whose memory and time are bounded. */
  readonly files: WorkerPool;
  /** Workers that judge. */
  readonly pool: WorkerPool;
  readonly now: Date;
  /** Has the firm's fleet learned from anew. */
  readonly learnAnew: (firmId: string) => Promise<unknown>;
}

/** A slice of judging lasts about so long, ms; systems are judged so many at a time. */
const SLICE_MS = 15_000;
const CHUNK = 24;
/** What fails so often for reasons of its own is not tried again by itself. */
const MOST_TRIES = 3;

const STOPPED =
  'It could not be finished. What is here of it stays; send the same file again, and it goes on from there.';
const BEYOND = 'It takes more memory or time than a file is given: take it out in parts.';

/** Its pieces are needed no more. */
const end = async (db: Knex, id: string, state: object): Promise<void> => {
  await db('restore_pieces').where({ restore_id: id }).delete();
  await db('restores')
    .where({ id })
    .update({ ...state, ended_at: db.fn.now() });
};

const whatStays = ({ systems }: Pick<Line, 'systems'>): string =>
  systems === 0 ? 'Nothing of it was kept.' : `It stopped there; ${systems} systems of it are here.`;

async function refuse(db: Knex, id: string, why: string): Promise<false> {
  const line = await db('restores').where({ id }).first<Line>();
  await end(db, id, { state: 'refused', error: `${why} ${whatStays(line)}` });
  return false;
}

/** Work on the file itself: looking it through, then keeping it. */
async function workOnFile({ db, files, now }: Working, line: Line): Promise<boolean> {
  let came: RestoreEnd;
  try {
    came = (await files.run({ task: 'restore', restoreId: line.id, now: now.toISOString() })) as RestoreEnd;
  } catch (error) {
    // A worker that was ended says nothing more: what it was given was too much.
    if (isBeyondBounds(error)) return refuse(db, line.id, BEYOND);
    throw error;
  }
  if (typeof came === 'object') return refuse(db, line.id, came.refused);
  if (came === 'through') await db('restores').where({ id: line.id }).update({ state: 'judging', done: 0 });
  return true;
}

/** Judges the systems that came back, those that are left to judge: each file by itself, whatever else is under way. */
async function judge({ db, pool, now, learnAnew }: Working, line: Line): Promise<boolean> {
  const firm = await db('firms')
    .where({ id: line.firm_id })
    .first<{ policy: unknown; prior: unknown }>('policy', 'prior');
  const judging = { policy: policyFrom(firm.policy), prior: fleetPriorFrom(firm.prior).prior };
  const all = await db('restored_systems')
    .where({ restore_id: line.id })
    .orderBy('system_id')
    .pluck<string[]>('system_id');
  const from = line.judged_up_to;
  const left = from === null ? all : all.filter((id) => id > from);
  let done = all.length - left.length;
  const until = Date.now() + SLICE_MS;
  for (const group of chunksOf(chunksOf(left, CHUNK), 2 * pool.size)) {
    if (Date.now() > until) return true;
    await Promise.all(group.map((ids) => pool.run({ task: 'judge', ids, ...judging, now: now.toISOString() })));
    done += group.flat().length;
    await db('restores')
      .where({ id: line.id })
      .update({ done, judged_up_to: group.at(-1)?.at(-1) ?? null });
  }
  await end(db, line.id, { state: 'done', done: all.length, total: all.length });
  await learnAnew(line.firm_id);
  return false;
}

/** One slice of work on a firm's file. Tells whether there is more to do. */
export async function runRestoreSlice(working: Working, id: string): Promise<boolean> {
  const { db } = working;
  await db('restores').where({ id, state: 'waiting' }).update({ state: 'checking', done: 0 });
  const line = await db('restores').where({ id }).first<Line | undefined>();
  if (!line) return false;
  if (line.state === 'checking' || line.state === 'restoring') return workOnFile(working, line);
  return line.state === 'judging' ? judge(working, line) : false;
}

/** Notes that work on a file failed for reasons of its own; after some tries it stops, and can be gone on with. Tells whether to try again. */
export async function failRestore(db: Knex, id: string): Promise<boolean> {
  const [line] = await db('restores').where({ id }).increment('tries').returning<{ tries: number }[]>('tries');
  if (!line || line.tries < MOST_TRIES) return line !== undefined;
  await db('restores').where({ id }).update({ state: 'stopped', error: STOPPED, ended_at: db.fn.now() });
  return false;
}
