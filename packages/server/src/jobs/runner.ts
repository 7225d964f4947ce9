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
import { QUEUES, type ImportSlice, type JobQueue, type PreviewSlice, type RefitSlice } from './queue.ts';
import { runSlice } from './refit.ts';
import { workerPool, type WorkerPoolOptions } from './worker-pool.ts';

/** Told to whoever asked; what happened is in the log. */
const FAILED = 'It could not be finished; what was judged so far stays. Go on with it, or look into the server’s log.';
/** A fleet is learned from anew once its last refit is so old, hours; how often that is looked at. */
const FRESH_FOR = 24;
const LOOK_FOR_STALE = '23 * * * *';
/** A slice that has not been heard of for so long was lost with its server, s; every minute it is looked for such. */
const LOST_AFTER = 60;
const LOOK_FOR_LOST = '* * * * *';
/** How often a slice under way is heard of, ms. */
const BEAT_MS = 10_000;
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

/** Queues a refit for each firm whose fleet was never learned from, or too long ago, and that has none under way. */
async function queueStale(db: Knex, jobs: JobQueue, now: Date): Promise<void> {
  const stale = await db('firms')
    .whereRaw(`prior_learned_at is null or prior_learned_at < ?::timestamptz - interval '${FRESH_FOR} hours'`, [now])
    .select<{ id: string }[]>('id');
  for (const { id } of stale) {
    await inTransaction(db, async (trx) => {
      const queued = await trx('refits')
        .insert({ id: v7(), firm_id: id, state: 'queued', asked_at: now })
        .onConflict()
        .ignore()
        .returning<{ id: string }[]>('id');
      for (const refit of queued) await jobs.addSlice(trx, refit.id);
    });
  }
}

/** Queues anew the slices that were lost, or never queued; for those that wait their turn nothing changes. */
async function takeOverLost(db: Knex, jobs: JobQueue): Promise<void> {
  const unheard = await db('refits')
    .whereIn('state', UNDER_WAY)
    .whereRaw(`(beat_at is null or beat_at < now() - interval '${LOST_AFTER} seconds')`)
    .select<{ id: string }[]>('id');
  for (const { id } of unheard) await jobs.addSlice(db, id);
  const previews = await db('policy_previews')
    .whereIn('state', ['queued', 'running'])
    .whereRaw(`coalesce(beat_at, asked_at) < now() - interval '${LOST_AFTER} seconds'`)
    .select<{ id: string }[]>('id');
  for (const { id } of previews) await jobs.addPreview(db, id);
  const imports = await db('imports')
    .whereIn('state', [...IMPORT_WORKS])
    .whereRaw(`coalesce(beat_at, asked_at) < now() - interval '${LOST_AFTER} seconds'`)
    .select<{ id: string }[]>('id');
  for (const { id } of imports) await jobs.addImport(db, id);
}

/** Works off what waits in a queue. */
async function workOff<Job extends object>(
  boss: PgBoss,
  queue: string,
  work: (job: Job) => Promise<void>,
): Promise<void> {
  for (;;) {
    const [job] = await boss.fetch<Job>(queue);
    if (!job) return;
    await work(job.data);
    await boss.complete(queue, job.id);
  }
}

/** Does the work that is off the request path: one slice of a refit at a time, on worker threads. */
export function jobRunner({ db, jobs, url, log, now, workers, pool: how }: RunnerOptions): Runner {
  const pool = workerPool(url, workers, how);
  let stopped = false;

  /** One slice; the next one is queued behind it, so that no firm's refit keeps those of all others waiting. */
  async function work({ refitId }: RefitSlice): Promise<void> {
    const row = await db<RefitRow>('refits').where({ id: refitId }).first();
    if (!row || !UNDER_WAY.includes(row.state)) return;
    const beat = () => db('refits').where({ id: refitId }).update({ beat_at: db.fn.now() });
    await beat();
    const beats = setInterval(() => void beat().catch(() => undefined), BEAT_MS);
    try {
      if (await runSlice({ db, pool, row, now: now(), clock: now, log })) await jobs.addSlice(db, refitId);
      else log.info({ refit: refitId }, 'refit ended');
    } catch (error) {
      // What was cut off by this server's end is taken over by the next.
      if (stopped) throw error;
      log.error({ refit: refitId, err: error }, 'refit failed');
      await db('refits').where({ id: refitId }).update({ state: 'failed', error: FAILED, ended_at: now() });
    } finally {
      clearInterval(beats);
    }
  }

  /** One slice of a preview; what fails is told to whoever asked. */
  async function preview({ previewId }: PreviewSlice): Promise<void> {
    const row = await db<PreviewRow>('policy_previews').where({ id: previewId }).first();
    if (!row || (row.state !== 'queued' && row.state !== 'running')) return;
    try {
      if (await runPreviewSlice(db, pool, row, now())) await jobs.addPreview(db, previewId);
    } catch (error) {
      if (stopped) throw error;
      log.error({ preview: previewId, err: error }, 'preview of schools failed');
      await db('policy_previews').where({ id: previewId }).update({ state: 'failed' });
    }
  }

  /** One slice of an import; what fails is told to whoever asked, and what came in until then can be taken back. */
  async function bring({ importId }: ImportSlice): Promise<void> {
    try {
      if (await runImportSlice(db, pool, importId, now())) await jobs.addImport(db, importId);
    } catch (error) {
      if (stopped) throw error;
      log.error({ import: importId, err: error }, 'import failed');
      await failImport(db, importId);
    }
  }

  /** Sets up what recurs; the same again changes nothing, so that it can be tried until it is done. */
  async function setUp(keepFresh: boolean): Promise<void> {
    const boss = await jobs.boss();
    await boss.schedule(QUEUES.lostSlices, LOOK_FOR_LOST);
    await boss.send(QUEUES.lostSlices, {});
    if (!keepFresh) return boss.unschedule(QUEUES.staleFleets);
    await boss.schedule(QUEUES.staleFleets, LOOK_FOR_STALE);
    await boss.send(QUEUES.staleFleets, {});
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
      await boss.work<RefitSlice>(QUEUES.refits, polled, async ([slice]) => slice && work(slice.data));
      await boss.work<PreviewSlice>(QUEUES.previews, polled, async ([slice]) => slice && preview(slice.data));
      await boss.work<ImportSlice>(QUEUES.imports, polled, async ([slice]) => slice && bring(slice.data));
      await boss.work(QUEUES.lostSlices, polled, () => takeOverLost(db, jobs));
      if (keepFresh) await boss.work(QUEUES.staleFleets, polled, () => queueStale(db, jobs, now()));
    },
    async look() {
      const boss = await jobs.boss();
      await takeOverLost(db, jobs);
      await workOff<RefitSlice>(boss, QUEUES.refits, work);
      await workOff<PreviewSlice>(boss, QUEUES.previews, preview);
      await workOff<ImportSlice>(boss, QUEUES.imports, bring);
    },
    async stop() {
      stopped = true;
      await jobs.stop();
      await pool.close();
    },
  };
}
