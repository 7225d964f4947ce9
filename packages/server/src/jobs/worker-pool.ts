import { fileURLToPath } from 'node:url';
import { Piscina } from 'piscina';
import type { RefitAsk } from './refit-worker.ts';

/** Some worker threads that each do one thing at a time. */
export interface WorkerPool {
  /** Runs an ask on the next free worker; rejects with what failed there. A worker that dies is replaced. */
  readonly run: (ask: RefitAsk) => Promise<unknown>;
  readonly size: number;
  readonly close: () => Promise<void>;
}

const IDLE_MS = 10_000;

/** At most `size` worker threads, started when there is work, with database connections of their own. */
export function workerPool(url: string, size: number): WorkerPool {
  const pool = new Piscina({
    filename: fileURLToPath(new URL('./refit-worker-entry.mjs', import.meta.url)),
    // Between refits there is nobody to wait: threads end when they have been idle for a while.
    minThreads: 0,
    maxThreads: size,
    idleTimeout: IDLE_MS,
    workerData: { url },
    execArgv: [],
  });
  return {
    size,
    run: (ask) => pool.run(ask) as Promise<unknown>,
    close: () => pool.destroy(),
  };
}
