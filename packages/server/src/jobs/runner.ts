import type { Knex } from 'knex';
import { inTransaction } from '../database/transaction.ts';
import pRetry from 'p-retry';
import type PgBoss from 'pg-boss';
import type { Logger } from 'pino';
import { v7 } from 'uuid';
import type { RefitRow } from '../features/refits/store.ts';
import type { PreviewRow } from '../features/schools/store.ts';
import { runPreviewSlice } from './preview.ts';
import { IMPORT_WORKS } from '../features/imports/store.ts';
import { failImport, runImportSlice } from './import-apply.ts';
import { failRestore, runRestoreSlice } from '../features/restores/slice.ts';
import { RESTORE_WORKS } from '../features/restores/store.ts';
import { SLICES, STALE_FLEETS, type JobQueue, type Slice, type Sliced } from './queue.ts';
import { runSlice } from './refit.ts';
import { workerPool, type WorkerPool, type WorkerPoolOptions } from './worker-pool.ts';

/** Told to whoever asked; what happened is in the log. */
const FAILED = 'It could not be finished; what was judged so far stays. Go on with it, or look into the server’s log.';
/** A fleet is learned from anew once its last refit is so old, hours; how often that is looked at. */
const FRESH_FOR = 24;
const LOOK_FOR_STALE = '23 * * * *';
/** A slice that has not been heard of for so long was lost with its server, s; it is looked for such so often, ms. */
const LOST_AFTER = 3;
const LOOK_FOR_LOST_MS = 1000;
/** How often a slice under way is heard of, ms. */
const BEAT_MS = 700;
/** What a file may take of memory, MB, and how long a slice of work on it may last, ms. */
const FOR_A_FILE = { mb: 768, ms: 600_000 };
/** States of a refit that is not at its end. */
const UNDER_WAY: readonly RefitRow['state'][] = ['queued', 'learning', 'judging'];
/** How often waiting work is looked for, s. */
const LOOK_EVERY = 1;
/** Between two tries to start at most so long is waited, ms. */
const LONGEST_PAUSE_MS = 15_000;

export interface Runner {
  /** Takes work from now on as it comes; fleets learned from too long ago are queued by themselves when `keepFresh`. */
  readonly start: (keepFresh: boolean) => Promise<void>;
  /** Works off what waits now; resolves when there is none left. */
  readonly look: () => Promise<void>;
  readonly stop: () => Promise<void>;
}

export interface RunnerOptions {
  readonly db: Knex;
  readonly jobs: JobQueue;
  readonly url: string;
  readonly log: Logger;
  readonly now: () => Date;
  readonly workers: number;
  readonly pool?: WorkerPoolOptions;
}

/** Queues a refit of a firm, unless one is under way. */
const queueRefit = (db: Knex, jobs: JobQueue, firmId: string, now: Date): Promise<void> =>
  inTransaction(db, async (trx) => {
    const queued = await trx('refits')
      .insert({ id: v7(), firm_id: firmId, state: 'queued', asked_at: now })
      .onConflict()
      .ignore()
      .returning<{ id: string }[]>('id');
    for (const refit of queued) await jobs.add('refits', trx, refit.id);
  });

/** Queues a refit for each firm whose fleet was never learned from, or too long ago, and that has none under way. */
async function queueStale(db: Knex, jobs: JobQueue, now: Date): Promise<void> {
  const stale = await db('firms')
    .whereRaw(`prior_learned_at is null or prior_learned_at < ?::timestamptz - interval '${FRESH_FOR} hours'`, [now])
    .select<{ id: string }[]>('id');
  for (const { id } of stale) await queueRefit(db, jobs, id, now);
}

/** One kind of work that is done slice by slice. */
interface SlicedWork {
  readonly of: Sliced;
  /** Where it is noted, and in which states there is work on it. */
  readonly table: string;
  readonly states: readonly string[];
  /** Does one slice; tells whether there is more to do. */
  readonly slice: (id: string) => Promise<boolean>;
  /** Notes that a slice failed, so that whoever asked is told; tells whether to try it again. */
  readonly failed: (id: string) => Promise<boolean>;
}

/** Queues anew the slices that were lost, or never queued; for those that wait their turn nothing changes. */
async function takeOverLost(db: Knex, jobs: JobQueue, works: readonly SlicedWork[]): Promise<void> {
  for (const { of, table, states } of works) {
    const unheard = await db(table)
      .whereIn('state', [...states])
      .whereRaw(`coalesce(beat_at, '-infinity') < now() - interval '${LOST_AFTER} seconds'`)
      .select<{ id: string }[]>('id');
    for (const { id } of unheard) await jobs.add(of, db, id);
  }
}

/** Tells every so often that a slice is being worked on, until it ends. */
async function heard(db: Knex, table: string, id: string, work: () => Promise<void>): Promise<void> {
  const beat = () => db(table).where({ id }).update({ beat_at: db.fn.now() });
  await beat();
  const beats = setInterval(() => void beat().catch(() => undefined), BEAT_MS);
  await work().finally(() => clearInterval(beats));
}

/** Works off what waits in a queue. */
async function workOff(boss: PgBoss, queue: string, work: (slice: Slice) => Promise<void>): Promise<void> {
  for (;;) {
    const [job] = await boss.fetch<Slice>(queue);
    if (!job) return;
    await work(job.data);
    await boss.complete(queue, job.id);
  }
}

interface Means {
  readonly db: Knex;
  readonly jobs: JobQueue;
  readonly log: Logger;
  readonly now: () => Date;
  /** Workers that judge, and one for files, whose memory and time are bounded. */
  readonly pool: WorkerPool;
  readonly files: WorkerPool;
}

/** All work there is off the request path. What a firm waits for comes before what it does not notice. */
const worksOf = ({ db, jobs, log, now, pool, files }: Means): SlicedWork[] => [
  {
    of: 'previews',
    table: 'policy_previews',
    states: ['queued', 'running'],
    async slice(id) {
      const row = await db<PreviewRow>('policy_previews').where({ id }).first();
      return row?.state === 'queued' || row?.state === 'running' ? runPreviewSlice(db, pool, row, now()) : false;
    },
    async failed(id) {
      await db('policy_previews').where({ id }).update({ state: 'failed' });
      return false;
    },
  },
  {
    of: 'imports',
    table: 'imports',
    states: IMPORT_WORKS,
    slice: (id) => runImportSlice(db, pool, id, now()),
    // What came in until then can be taken back.
    async failed(id) {
      await failImport(db, id);
      return false;
    },
  },
  {
    of: 'restores',
    table: 'restores',
    states: RESTORE_WORKS,
    slice: (id) => {
      const learnAnew = (firmId: string) => queueRefit(db, jobs, firmId, now());
      return runRestoreSlice({ db, files, pool, now: now(), learnAnew }, id);
    },
    failed: (id) => failRestore(db, id),
  },
  {
    of: 'refits',
    table: 'refits',
    states: UNDER_WAY,
    async slice(id) {
      const row = await db<RefitRow>('refits').where({ id }).first();
      if (!row || !UNDER_WAY.includes(row.state)) return false;
      const isMore = await runSlice({ db, pool, row, now: now(), clock: now, log });
      if (!isMore) log.info({ refit: id }, 'refit ended');
      return isMore;
    },
    async failed(id) {
      await db('refits').where({ id }).update({ state: 'failed', error: FAILED, ended_at: now() });
      return false;
    },
  },
];

/** Does the work that is off the request path: one slice of each kind at a time, on worker threads. */
export function jobRunner({ db, jobs, url, log, now, workers, pool: how }: RunnerOptions): Runner {
  const pool = workerPool(url, workers, how);
  const files = workerPool(url, 1, { ...how, most: FOR_A_FILE });
  const works = worksOf({ db, jobs, log, now, pool, files });
  let stopped = false;
  let looking: NodeJS.Timeout | undefined;

  /** One slice; the next one is queued behind it, so that no firm's work keeps that of all others waiting. */
  async function work({ of, slice, failed }: SlicedWork, id: string): Promise<void> {
    try {
      if (await slice(id)) await jobs.add(of, db, id);
    } catch (error) {
      // What was cut off by this server's end is taken over by the next.
      if (stopped) throw error;
      log.error({ [of]: id, err: error }, `work on ${of} failed`);
      if (await failed(id)) await jobs.add(of, db, id);
    }
  }

  /** Sets up what recurs; the same again changes nothing, so that it can be tried until it is done. */
  async function setUp(keepFresh: boolean): Promise<void> {
    const boss = await jobs.boss();
    if (!keepFresh) return boss.unschedule(STALE_FLEETS);
    await boss.schedule(STALE_FLEETS, LOOK_FOR_STALE);
    await boss.send(STALE_FLEETS, {});
  }

  return {
    async start(keepFresh) {
      // A database that is not there yet, or too busy, must not leave a server that never works off anything.
      await pRetry(() => setUp(keepFresh), {
        forever: true,
        maxTimeout: LONGEST_PAUSE_MS,
        shouldRetry: () => !stopped,
        onFailedAttempt: (error) => log.warn({ err: error }, 'work off the request path cannot start yet'),
      });
      const boss = await jobs.boss();
      const polled = { pollingIntervalSeconds: LOOK_EVERY };
      for (const one of works)
        await boss.work<Slice>(
          SLICES[one.of],
          polled,
          async ([slice]) => slice && heard(db, one.table, slice.data.id, () => work(one, slice.data.id)),
        );
      looking = setInterval(() => {
        takeOverLost(db, jobs, works).catch((error: unknown) =>
          log.warn({ err: error }, 'lost work cannot be looked for'),
        );
      }, LOOK_FOR_LOST_MS);
      if (keepFresh) await boss.work(STALE_FLEETS, polled, () => queueStale(db, jobs, now()));
    },
    async look() {
      const boss = await jobs.boss();
      await takeOverLost(db, jobs, works);
      for (const one of works) await workOff(boss, SLICES[one.of], ({ id }) => work(one, id));
    },
    async stop() {
      stopped = true;
      clearInterval(looking);
      await jobs.stop();
      await Promise.all([pool.close(), files.close()]);
    },
  };
}
