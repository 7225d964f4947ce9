import type { Knex } from 'knex';
import type { Logger } from 'pino';
import { v7 } from 'uuid';
import type { RefitRow } from '../features/refits/store.ts';
import { runRefit } from './refit.ts';
import { workerPool } from './worker-pool.ts';

/** A refit under way that has not been heard of for so long is taken over by whoever asks next, s. */
const LOST_AFTER = 60;
/** Told to whoever asked; what happened is in the log. */
const FAILED = 'It could not be finished; what was judged so far stays. Go on with it, or look into the server’s log.';
/** A fleet is learned from anew once its last refit is so old, hours. */
const FRESH_FOR = 24;

export interface Runner {
  /** Looks for work now; resolves when there is none left. */
  readonly look: () => Promise<void>;
  readonly stop: () => Promise<void>;
}

export interface RunnerOptions {
  readonly db: Knex;
  readonly url: string;
  readonly log: Logger;
  readonly now: () => Date;
  readonly workers: number;
  /** How often it looks for work, ms; 0 only when it is asked to. */
  readonly everyMs: number;
  /** Whether fleets that were learned from too long ago are queued by themselves. */
  readonly keepFresh?: boolean;
}

/** Claims one refit: queued, or lost by a server that went away. Two servers never claim the same. */
const claim = (db: Knex): Promise<RefitRow | undefined> =>
  db.transaction(async (trx) => {
    const row = await trx<RefitRow>('refits')
      .where({ state: 'queued' })
      .orWhere((lost) => {
        void lost
          .whereIn('state', ['learning', 'judging'])
          .whereRaw(`beat_at < now() - interval '${LOST_AFTER} seconds'`);
      })
      .orderBy('asked_at')
      .forUpdate()
      .skipLocked()
      .first();
    if (row) await trx('refits').where({ id: row.id }).update({ state: 'learning', beat_at: trx.fn.now() });
    return row;
  });

/** Firms whose fleet was never learned from, or too long ago, and that have no refit under way. */
async function queueStale(db: Knex, now: Date): Promise<void> {
  const stale = await db('firms')
    .whereRaw(`prior_learned_at is null or prior_learned_at < ?::timestamptz - interval '${FRESH_FOR} hours'`, [now])
    .select<{ id: string }[]>('id');
  for (const { id } of stale) {
    await db('refits').insert({ id: v7(), firm_id: id, state: 'queued', asked_at: now }).onConflict().ignore();
  }
}

/** Does the work that is off the request path: one refit at a time, on worker threads. */
export function jobRunner({ db, url, log, now, workers, everyMs, keepFresh = true }: RunnerOptions): Runner {
  let working: Promise<void> | null = null;
  let stopped = false;

  async function workOff(): Promise<void> {
    for (let row = await claim(db); row && !stopped; row = await claim(db)) {
      const pool = workerPool(url, workers);
      const began = Date.now();
      try {
        await runRefit({ db, pool, row, now: now(), log });
        log.info({ refit: row.id, ms: Date.now() - began }, 'refit ended');
      } catch (error) {
        if (stopped) return;
        log.error({ refit: row.id, err: error }, 'refit failed');
        await db('refits').where({ id: row.id }).update({ state: 'failed', error: FAILED, ended_at: new Date() });
      } finally {
        await pool.close();
      }
    }
  }
  const look = (): Promise<void> => {
    working ??= workOff().finally(() => {
      working = null;
    });
    return working;
  };
  const timer =
    everyMs > 0
      ? setInterval(() => {
          void (keepFresh ? queueStale(db, now()) : Promise.resolve())
            .then(look)
            .catch((error: unknown) => log.error({ err: error }, 'looking for work failed'));
        }, everyMs)
      : undefined;
  return {
    look,
    stop: async () => {
      stopped = true;
      clearInterval(timer);
      await Promise.race([
        working?.catch(() => undefined),
        new Promise((resolve) => setTimeout(resolve, 2000).unref()),
      ]);
    },
  };
}
