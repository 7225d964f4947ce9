import { fileURLToPath } from 'node:url';
import pRetry from 'p-retry';
import { Piscina } from 'piscina';
import type { RefitAsk, WorkerData } from './refit-worker.ts';

/** Some worker threads that each do one thing at a time. */
export interface WorkerPool {
  /**
   * Runs an ask on the next free worker. What fails there (a connection not had, a worker that died) is tried again before
   * it rejects: every ask can be done twice and comes to the same.
   */
  readonly run: (ask: RefitAsk) => Promise<unknown>;
  readonly size: number;
  readonly close: () => Promise<void>;
}

const IDLE_MS = 10_000;
/** A database that is away for so long is not waited for: about 1 + 2 + 4 + 8 s. */
const TRIES_MORE = 4;

const ENTRY = fileURLToPath(new URL('./refit-worker-entry.mjs', import.meta.url));

/** Whether an ask failed because it took more memory or time than it was given: it would again. */
export function isBeyondBounds(error: unknown): boolean {
  const { name, code, cause } = error as { name?: string; code?: string; cause?: unknown };
  if (code === 'ERR_WORKER_OUT_OF_MEMORY' || name === 'AbortError' || name === 'TimeoutError') return true;
  return cause !== undefined && isBeyondBounds(cause);
}

/** A worker that cannot even start takes no ask with it, so what waits for one would wait for ever: it is told of this way. */
function once(pool: Piscina, ask: RefitAsk, mostMs: number | undefined): Promise<unknown> {
  return new Promise((resolve, reject) => {
    const settle =
      <T>(how: (came: T) => void) =>
      (came: T) => {
        pool.off('error', failed);
        how(came);
      };
    const failed = settle((error: Error) => reject(new Error(error.message, { cause: error })));
    pool.on('error', failed);
    (pool.run(ask, { signal: mostMs === undefined ? null : AbortSignal.timeout(mostMs) }) as Promise<unknown>).then(
      settle(resolve),
      failed,
    );
  });
}

export interface WorkerPoolOptions {
  /** What a worker runs; by default what lies beside this module. */
  readonly entry?: string | undefined;
  /** The nice value of its threads; by default that of the rest. */
  readonly priority?: number;
  /** What each of its threads may take of memory, MB, and how long one ask may last, ms: beyond, the thread is ended. */
  readonly most?: { readonly mb: number; readonly ms: number } | undefined;
  /** Between a try that failed and the next, ms; doubled each time. */
  readonly pauseMs?: number;
}

/** At most `size` worker threads, started when there is work, with database connections of their own. */
export function workerPool(
  url: string,
  size: number,
  { entry = ENTRY, priority = 0, pauseMs = 1000, most }: WorkerPoolOptions = {},
): WorkerPool {
  const pool = new Piscina({
    filename: entry,
    // Between refits there is nobody to wait: threads end when they have been idle for a while.
    minThreads: 0,
    maxThreads: size,
    idleTimeout: IDLE_MS,
    workerData: { url, priority } satisfies WorkerData,
    execArgv: [],
    ...(most && { resourceLimits: { maxOldGenerationSizeMb: most.mb } }),
  });
  // An answer that comes when its ask has ended already is told of as an error; with nobody listening that ends the process.
  pool.on('error', () => undefined);
  let isClosed = false;
  return {
    size,
    run: (ask) =>
      pRetry(() => once(pool, ask, most?.ms), {
        retries: TRIES_MORE,
        minTimeout: pauseMs,
        shouldRetry: (error) => !isClosed && !isBeyondBounds(error),
      }),
    close: () => {
      isClosed = true;
      return pool.destroy();
    },
  };
}
