import type { DriftClass, ThreadPrior } from './drift-prior.ts';
import { follow, levelAfter, NO_TROUBLE, type Followed, type FollowPoint, type Trouble } from './follow.ts';
import type { Bell } from './mixture.ts';

/** A thread made ready to be fitted: shares of its reference, years, in order of time. */
export interface ReadyThread {
  readonly points: readonly FollowPoint[];
  /** Years at which the part was fitted, same origin as the points; null when that is not known. */
  readonly fittedYears: number | null;
  /** Places in the thread before which a known event may have moved the level. */
  readonly shifts: readonly number[];
  /** How unknown an unknown level is, and how far odd readings and steps go: shares of the reference. */
  readonly levelSd: number;
  readonly oddSd: number;
  readonly stepSd: number;
}

/** One explanation of a thread, with its weight among all. */
export interface Explanation {
  readonly weight: number;
  /** Places in the prior's classes and scatter. */
  readonly drift: number;
  readonly scatter: number;
  readonly trouble: Trouble;
  readonly end: Followed;
}

export interface ThreadFit {
  readonly n: number;
  readonly explanations: readonly Explanation[];
  /** Drift a year at the end of the thread, share of the reference: mean and standard deviation. */
  readonly drift: number;
  readonly driftSd: number;
  /** Share of what is known of the drift that comes from the readings themselves rather than from the prior, 0 to 1. */
  readonly ownShare: number;
  /** Chance that the drift is changing: that the thread bends. */
  readonly bendChance: number;
  /** Chance of each reading to be odd, and of a step before it. */
  readonly oddChances: readonly number[];
  readonly stepChances: readonly number[];
}

/** A surprise from which odd readings and steps are looked for, in standard deviations. */
const LOOK_FROM = 2.6;
/** With fewer readings than this nothing can be told apart. */
const LEAST_FOR_TROUBLE = 3;
const MOST_TROUBLES = 3;
const WEIGHT_WORTH_KEEPING = 5e-4;

const median = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = Math.floor(sorted.length / 2);
  return sorted.length % 2 === 1 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
};

function startOf(thread: ReadyThread, prior: ThreadPrior) {
  if (prior.asFitted && thread.fittedYears !== null) return { years: thread.fittedYears, ...prior.asFitted };
  return {
    years: thread.points[0]!.years,
    mean: median(thread.points.map((p) => p.value)),
    sd: thread.levelSd,
  };
}

interface Weighed extends Omit<Explanation, 'weight'> {
  log: number;
}

function explain(thread: ReadyThread, prior: ThreadPrior, trouble: Trouble, into: Weighed[]): Weighed {
  const start = startOf(thread, prior);
  const logTrouble =
    trouble.odd.length * Math.log(prior.oddChance) + trouble.steps.length * Math.log(prior.stepChance);
  let best: Weighed | null = null;
  for (let drift = 0; drift < prior.classes.length; drift += 1) {
    const way = prior.classes[drift]!;
    for (let scatter = 0; scatter < prior.scatter.length; scatter += 1) {
      const { share, factor } = prior.scatter[scatter]!;
      const end = follow(
        thread.points,
        { ...way, scatter: factor },
        start,
        trouble,
        thread.oddSd * thread.oddSd,
        thread.stepSd * thread.stepSd,
        thread.shifts,
      );
      const weighed = { drift, scatter, trouble, end, log: Math.log(way.share * share) + logTrouble + end.logEvidence };
      into.push(weighed);
      if (best === null || weighed.log > best.log) best = weighed;
    }
  }
  return best!;
}

/** Every trouble with one more odd reading or step in it. */
function* oneMore(trouble: Trouble, points: readonly FollowPoint[]): Generator<Trouble> {
  for (let i = 0; i < points.length; i += 1) {
    if (trouble.odd.includes(i) || trouble.steps.includes(i)) continue;
    yield { odd: [...trouble.odd, i], steps: trouble.steps };
    // A step lies between two visits, not between two readings of one.
    if (i > 0 && points[i]!.years > points[i - 1]!.years) yield { odd: trouble.odd, steps: [...trouble.steps, i] };
  }
}

function explainAll(thread: ReadyThread, prior: ThreadPrior): Weighed[] {
  const all: Weighed[] = [];
  let best = explain(thread, prior, NO_TROUBLE, all);
  const n = thread.points.length;
  for (let found = 0; found < MOST_TROUBLES && n >= LEAST_FOR_TROUBLE; found += 1) {
    if (best.end.worstSurprise < LOOK_FROM) break;
    let next = best;
    for (const trouble of oneMore(best.trouble, thread.points)) {
      const candidate = explain(thread, prior, trouble, all);
      if (candidate.log > next.log) next = candidate;
    }
    if (next === best) break;
    best = next;
  }
  return all;
}

function weigh(all: readonly Weighed[]): Explanation[] {
  const top = Math.max(...all.map((w) => w.log));
  const likely = all.map((w) => ({ ...w, weight: Math.exp(w.log - top) })).filter((w) => w.weight > 1e-9);
  const sum = likely.reduce((s, w) => s + w.weight, 0);
  const kept = likely.filter((w) => w.weight > WEIGHT_WORTH_KEEPING * sum);
  const rest = kept.reduce((s, w) => s + w.weight, 0);
  return kept.map(({ drift, scatter, trouble, end, weight }) => ({
    drift,
    scatter,
    trouble,
    end,
    weight: weight / rest,
  }));
}

/** Mean and variance of the drift of a mixture of ways. */
export function driftOf(classes: readonly DriftClass[]): { mean: number; variance: number } {
  const mean = classes.reduce((sum, c) => sum + c.share * c.mean, 0);
  return { mean, variance: classes.reduce((sum, c) => sum + c.share * (c.sd ** 2 + (c.mean - mean) ** 2), 0) };
}

/**
 * Fits a thread by weighing explanations: each way of wearing that the prior knows, each degree of scatter, and, where a
 * reading surprises, each single reading being odd and each step between two visits; Bayes' rule gives the weights.
 * A bend therefore counts only as far as the readings ask for it, and one odd point does not turn a line.
 * Null without points.
 */
export function fitThread(thread: ReadyThread, prior: ThreadPrior): ThreadFit | null {
  if (thread.points.length === 0) return null;
  const explanations = weigh(explainAll(thread, prior));
  const sum = (of: (e: Explanation) => number) => explanations.reduce((s, e) => s + e.weight * of(e), 0);
  const drift = sum((e) => e.end.drift);
  const variance = sum((e) => e.end.driftVariance + (e.end.drift - drift) ** 2);
  const before = driftOf(prior.classes).variance;
  return {
    n: thread.points.length,
    explanations,
    drift,
    driftSd: Math.sqrt(variance),
    ownShare: Math.min(1, Math.max(0, 1 - variance / before)),
    bendChance: sum((e) => (e.end.wander > 0 ? 1 : 0)),
    oddChances: thread.points.map((_, i) => sum((e) => (e.trouble.odd.includes(i) ? 1 : 0))),
    stepChances: thread.points.map((_, i) => sum((e) => (e.trouble.steps.includes(i) ? 1 : 0))),
  };
}

/** Where the part is so many years after its last reading (before, if negative), as a mixture; shares of the reference. */
export const levelsAt = (fit: ThreadFit, yearsAfter: number): Bell[] =>
  fit.explanations.map(({ weight, end }) => ({ weight, ...levelAfter(end, yearsAfter) }));
