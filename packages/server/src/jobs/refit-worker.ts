import {
  learnThreadPrior,
  readingKind,
  type FleetPrior,
  type Policy,
  type ReadyThread,
  type ThreadPrior,
} from '@yarnix/core';
import { setPriority } from 'node:os';
import { parentPort, workerData } from 'node:worker_threads';
import { connect } from '../database/connection.ts';
import { judgeSystems, readSystems, threadsToLearn } from './refit-chunk.ts';

/** Nice value of the worker threads. */
const WORKER_PRIORITY = 10;

/** What a refit asks of one of its worker threads. */
export type RefitAsk =
  | { readonly task: 'gather'; readonly ids: readonly string[]; readonly policy: Policy }
  | { readonly task: 'learn'; readonly kind: string; readonly threads: readonly ReadyThread[] }
  | {
      readonly task: 'judge';
      readonly ids: readonly string[];
      readonly policy: Policy;
      readonly prior: FleetPrior | undefined;
      readonly now: string;
    };

export type Gathered = ReturnType<typeof threadsToLearn>;
export type RefitReply = { readonly done: Gathered | ThreadPrior | number } | { readonly failed: string };

// People who ask come first: on Linux this lowers this thread alone.
setPriority(WORKER_PRIORITY);

const db = connect((workerData as { url: string }).url, 4);

async function answer(ask: RefitAsk): Promise<Gathered | ThreadPrior | number> {
  if (ask.task === 'learn') {
    const kind = readingKind(ask.kind);
    if (!kind) throw new Error(`no kind ${ask.kind}`);
    return learnThreadPrior(kind, ask.threads);
  }
  const systems = await readSystems(db, ask.ids);
  if (ask.task === 'gather') return threadsToLearn(systems, ask.policy);
  return judgeSystems(db, systems, { policy: ask.policy, prior: ask.prior }, new Date(ask.now));
}

parentPort?.on('message', (ask: RefitAsk) => {
  answer(ask).then(
    (done) => parentPort?.postMessage({ done } satisfies RefitReply),
    (error: unknown) => parentPort?.postMessage({ failed: String(error) } satisfies RefitReply),
  );
});
