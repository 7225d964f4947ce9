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

/** Starts `size` worker threads with database connections of their own. */
export function workerPool(url: string, size: number): WorkerPool {
  const pool = new Piscina({
    filename: fileURLToPath(new URL('./refit-worker-entry.mjs', import.meta.url)),
    minThreads: size,
    maxThreads: size,
    workerData: { url },
    execArgv: [],
  });
  return {
    size,
    run: (ask) => pool.run(ask) as Promise<unknown>,
    close: () => pool.destroy(),
  };
}
