import { driftOf, type ThreadPrior } from './drift-prior.ts';
import { explainThread, type Explanation } from './explain-thread.ts';
import { withOwnAnswer } from './own-weather.ts';
import type { ReadyThread } from './thread-shape.ts';

export interface ThreadFit {
  readonly n: number;
  /** What all points may be off by together: see ReadyThread. */
  readonly sharedSd: number;
  readonly explanations: readonly Explanation[];
  /** Drift a year at the end of the thread, share of the reference: mean and standard deviation. */
  readonly drift: number;
  readonly driftSd: number;
  /** Share of what is known of the drift that comes from the readings themselves rather than from the prior, 0 to 1. */
  readonly ownShare: number;
  /** Chance that the drift is changing: that the thread bends. */
  readonly bendChance: number;
  /** How often parts of the class step, and how far, shares of the reference. */
  readonly stepsAhead: { readonly chance: number; readonly mean: number; readonly sd: number };
  /** Chance of each reading to be odd, and of a step before it. */
  readonly oddChances: readonly number[];
  readonly stepChances: readonly number[];
}

/**
 * Fits a thread by weighing explanations: each way of wearing that the prior knows, each degree of scatter, and, where a
 * reading surprises, each single reading being odd and each step between two visits; Bayes' rule gives the weights.
 * A bend therefore counts only as far as the readings ask for it, and one odd point does not turn a line.
 * Null without points.
 */
export function fitThread(as: ReadyThread, prior: ThreadPrior): ThreadFit | null {
  if (as.points.length === 0) return null;
  const thread = withOwnAnswer(as, prior);
  const explanations = explainThread(thread, prior);
  const n = thread.points.length;
  const odd = new Array<number>(n).fill(0);
  const steps = new Array<number>(n).fill(0);
  let [drift, square, bends] = [0, 0, 0];
  for (const { weight, end, trouble } of explanations) {
    drift += weight * end.drift;
    square += weight * (end.driftVariance + end.drift * end.drift);
    if (end.wander > 0) bends += weight;
    for (const i of trouble.odd) odd[i]! += weight;
    for (const i of trouble.steps) steps[i]! += weight;
  }
  const variance = Math.max(0, square - drift * drift);
  return {
    n,
    sharedSd: thread.sharedSd ?? 0,
    explanations,
    drift,
    driftSd: Math.sqrt(variance),
    ownShare: Math.min(1, Math.max(0, 1 - variance / driftOf(prior.classes).variance)),
    // Damage goes the way wear goes more often than not.
    stepsAhead: { chance: prior.stepChance, mean: 0.6 * prior.towards * thread.stepSd, sd: thread.stepSd },
    bendChance: bends,
    oddChances: odd,
    stepChances: steps,
  };
}
