import {
  learnFromClasses,
  learningGroupOf,
  numericKind,
  type FleetPrior,
  type NumericKind,
  type Policy,
  type ReadyThread,
} from '@yarnix/core';
import { setPriority } from 'node:os';
import { workerData } from 'piscina';
import { connect } from '../database/connection.ts';
import { workOnRestore, type RestoreEnd } from '../features/restores/work.ts';
import { checkImport, type CheckEnd } from './import-check.ts';
import {
  compareSystems,
  judgeSystems,
  readChecks,
  readSystems,
  threadsToLearn,
  type ComparedChunk,
  type JudgedChunk,
} from './refit-chunk.ts';

/** What a worker is told as it starts. */
export interface WorkerData {
  readonly url: string;
  /** Its nice value. */
  readonly priority: number;
}

/** What a refit, a preview of other schools, or an import asks of one of the worker threads. */
export type RefitAsk =
  | {
      readonly task: 'learn';
      readonly firmId: string;
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
  | { readonly task: 'check-import'; readonly importId: string; readonly now: string }
  | { readonly task: 'restore'; readonly restoreId: string; readonly now: string }
  | {
      readonly task: 'compare';
      readonly ids: readonly string[];
      readonly policy: Policy;
      readonly draft: Policy;
      readonly prior: FleetPrior | undefined;
      readonly now: string;
    };

const { url, priority } = workerData as WorkerData;
// On Linux this is of this thread alone.
setPriority(priority);

const db = connect(url, 4, { patient: true });

/** Systems read at a time. */
const CHUNK = 60;

/** A number of a group of classes that is the same in every worker. */
const numberOf = (group: string): number => [...group].reduce((sum, letter) => sum + letter.charCodeAt(0), 0);

/** Classes that the same meters read are learned together, and so by one worker. */
async function learn({
  firmId,
  ids,
  policy,
  share,
  shares,
}: Extract<RefitAsk, { task: 'learn' }>): Promise<FleetPrior> {
  const classes: Record<string, { spec: NumericKind; threads: ReadyThread[] }> = {};
  for (let i = 0; i < ids.length; i += CHUNK) {
    for (const { threadClass, kind: id, ready } of threadsToLearn(
      await readSystems(db, ids.slice(i, i + CHUNK)),
      policy,
    )) {
      const spec = numericKind(id);
      if (!spec || numberOf(learningGroupOf(spec, threadClass)) % shares !== share) continue;
      (classes[threadClass] ??= { spec, threads: [] }).threads.push(ready);
    }
  }
  // Only the worker whose classes a meter read can hold its checks against them.
  const quantities = new Set(
    Object.values(classes).flatMap(({ threads }) =>
      threads.flatMap((t) => (t.pulls ?? []).flat().map((p) => p.quantity)),
    ),
  );
  const checks = (await readChecks(db, firmId)).filter((c) => quantities.has(c.quantity));
  return learnFromClasses(classes, checks);
}

/** Does one thing that a refit asks for. */
export default async function answer(
  ask: RefitAsk,
): Promise<FleetPrior | JudgedChunk | ComparedChunk | CheckEnd | RestoreEnd> {
  if (ask.task === 'learn') return learn(ask);
  if (ask.task === 'check-import') return checkImport(db, ask.importId, new Date(ask.now));
  if (ask.task === 'restore') return workOnRestore(db, ask.restoreId, new Date(ask.now));
  const systems = await readSystems(db, ask.ids);
  if (ask.task === 'compare') return compareSystems(systems, ask, new Date(ask.now));
  return judgeSystems(db, systems, { policy: ask.policy, prior: ask.prior }, new Date(ask.now));
}
