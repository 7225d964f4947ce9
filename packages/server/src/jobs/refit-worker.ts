import {
  learnThreadPrior,
  MOST_TO_LEARN_FROM,
  numericKind,
  someOf,
  type FleetPrior,
  type Policy,
  type ReadyThread,
} from '@yarnix/core';
import { setPriority } from 'node:os';
import { workerData } from 'piscina';
import { connect } from '../database/connection.ts';
import {
  compareSystems,
  judgeSystems,
  readSystems,
  threadsToLearn,
  type ComparedChunk,
  type JudgedChunk,
} from './refit-chunk.ts';

/** Nice value of the worker threads. */
const WORKER_PRIORITY = 10;

/** What a refit, or a preview of other schools, asks of one of the worker threads. */
export type RefitAsk =
  | {
      readonly task: 'learn';
      readonly ids: readonly string[];
      readonly policy: Policy;
      /** Of so many shares of the classes, this one: threads are many, and stay in the worker that read them. */
      readonly share: number;
      readonly shares: number;
    }
  | {
      readonly task: 'judge';
      readonly ids: readonly string[];
      readonly policy: Policy;
      readonly prior: FleetPrior | undefined;
      readonly now: string;
    }
  | {
      readonly task: 'compare';
      readonly ids: readonly string[];
      readonly policy: Policy;
      readonly draft: Policy;
      readonly prior: FleetPrior | undefined;
      readonly now: string;
    };

// People who ask come first: on Linux this lowers this thread alone.
setPriority(WORKER_PRIORITY);

const db = connect((workerData as { url: string }).url, 4, { patient: true });

/** Systems read at a time. */
const CHUNK = 60;

/** A number of a class that is the same in every worker. */
const numberOf = (threadClass: string): number =>
  [...threadClass].reduce((sum, letter) => sum + letter.charCodeAt(0), 0);

async function learn({ ids, policy, share, shares }: Extract<RefitAsk, { task: 'learn' }>): Promise<FleetPrior> {
  const classes = new Map<string, { kind: string; threads: ReadyThread[] }>();
  for (let i = 0; i < ids.length; i += CHUNK) {
    for (const { threadClass, kind, ready } of threadsToLearn(await readSystems(db, ids.slice(i, i + CHUNK)), policy)) {
      if (numberOf(threadClass) % shares !== share) continue;
      const known = classes.get(threadClass) ?? { kind, threads: [] };
      known.threads.push(ready);
      classes.set(threadClass, known);
    }
  }
  return Object.fromEntries(
    [...classes].flatMap(([threadClass, { kind: id, threads }]) => {
      const kind = numericKind(id);
      return kind ? [[threadClass, learnThreadPrior(kind, someOf(threads, MOST_TO_LEARN_FROM))] as const] : [];
    }),
  );
}

/** Does one thing that a refit asks for. */
export async function answer(ask: RefitAsk): Promise<FleetPrior | JudgedChunk | ComparedChunk> {
  if (ask.task === 'learn') return learn(ask);
  const systems = await readSystems(db, ask.ids);
  if (ask.task === 'compare') return compareSystems(systems, ask, new Date(ask.now));
  return judgeSystems(db, systems, { policy: ask.policy, prior: ask.prior }, new Date(ask.now));
}
