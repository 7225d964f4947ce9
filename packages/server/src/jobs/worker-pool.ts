import { Worker } from 'node:worker_threads';
import type { RefitAsk, RefitReply } from './refit-worker.ts';

/** Some worker threads that each do one thing at a time. */
export interface WorkerPool {
  /** Runs an ask on the next free worker; rejects with what failed there. */
  readonly run: (ask: RefitAsk) => Promise<unknown>;
  readonly size: number;
  readonly close: () => Promise<void>;
}

interface Waiting {
  readonly ask: RefitAsk;
  readonly resolve: (done: unknown) => void;
  readonly reject: (error: Error) => void;
}

/** Starts `size` worker threads with a database connection each. */
export function workerPool(url: string, size: number): WorkerPool {
  const waiting: Waiting[] = [];
  const free: Worker[] = [];
  const busy = new Map<Worker, Waiting>();

  function next(): void {
    while (free.length > 0 && waiting.length > 0) {
      const [worker, one] = [free.pop(), waiting.shift()];
      if (!worker || !one) return;
      busy.set(worker, one);
      worker.postMessage(one.ask);
    }
  }
  function settle(worker: Worker, settled: (one: Waiting) => void): void {
    const one = busy.get(worker);
    busy.delete(worker);
    if (one) settled(one);
  }
  const workers = Array.from({ length: size }, () => {
    const worker = new Worker(new URL('./refit-worker-entry.mjs', import.meta.url), {
      workerData: { url },
      execArgv: [],
    });
    worker.on('message', (reply: RefitReply) => {
      settle(worker, ({ resolve, reject }) =>
        'done' in reply ? resolve(reply.done) : reject(new Error(reply.failed)),
      );
      free.push(worker);
      next();
    });
    worker.on('error', (error) =>
      settle(worker, ({ reject }) => reject(error instanceof Error ? error : new Error(String(error)))),
    );
    free.push(worker);
    return worker;
  });
  return {
    size,
    run: (ask) =>
      new Promise((resolve, reject) => {
        waiting.push({ ask, resolve, reject });
        next();
      }),
    close: async () => {
      await Promise.all(workers.map((worker) => worker.terminate()));
    },
  };
}
