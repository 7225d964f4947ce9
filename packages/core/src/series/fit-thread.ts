import { driftOf, type ThreadPrior } from './drift-prior.ts';
import {
  follow,
  levelAfter,
  marksOf,
  NO_TROUBLE,
  trailFor,
  type Followed,
  type FollowPoint,
  type Marks,
  type Motion,
  type StartLevel,
  type Trouble,
} from './follow.ts';
import type { Bell } from './mixture.ts';
import { withOwnAnswer } from './own-weather.ts';
import type { ReadyThread } from './thread-shape.ts';

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

/** A surprise from which odd readings and steps are looked for, in standard deviations. */
const LOOK_FROM = 2;
/** With fewer readings than this nothing can be told apart. */
const LEAST_FOR_TROUBLE = 3;
const MOST_TROUBLES = 3;
const WEIGHT_WORTH_KEEPING = 5e-4;
const WEIGHT_WORTH_A_BELL = 4e-3;

const median = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = Math.floor(sorted.length / 2);
  return sorted.length % 2 === 1 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
};

/** A thread that begins later after fitting says nothing of the years before: the level as fitted is then left out. */
const FOLLOWED_FROM_THE_START = 1.5;

/** Where a thread is taken to begin; `isNew` where that is the level of its class's new parts. */
export function startOf(thread: ReadyThread, prior: ThreadPrior): StartLevel & { readonly isNew: boolean } {
  const { fittedYears } = thread;
  const isFollowed = fittedYears !== null && thread.points[0]!.years - fittedYears < FOLLOWED_FROM_THE_START;
  if (prior.asFitted && isFollowed) return { years: fittedYears, ...prior.asFitted, isNew: true };
  return {
    years: thread.points[0]!.years,
    mean: median(thread.points.map((p) => p.value)),
    sd: thread.levelSd,
    isNew: false,
  };
}

interface Weighed extends Omit<Explanation, 'weight'> {
  readonly log: number;
}

/** An explanation this much less likely than the best, in natural logarithms, is not worth keeping. */
const TOO_UNLIKELY = 14;

/** What weighing a thread goes by throughout: every way of moving that the prior knows, from where it begins. */
interface Weighing {
  readonly thread: ReadyThread;
  readonly prior: ThreadPrior;
  readonly start: StartLevel;
  readonly ways: readonly { drift: number; scatter: number; motion: Motion; logShare: number }[];
}

function weighingOf(thread: ReadyThread, prior: ThreadPrior): Weighing {
  const ways = prior.classes.flatMap(({ share, mean, sd, wander }, drift) =>
    prior.scatter.map((s, scatter) => ({
      drift,
      scatter,
      motion: { mean, sd, wander, scatter: s.factor },
      logShare: Math.log(share * s.share),
    })),
  );
  return { thread, prior, start: startOf(thread, prior), ways };
}

const marksIn = (thread: ReadyThread, trouble: Trouble) =>
  marksOf(thread.points.length, trouble, thread.oddSd ** 2, thread.stepSd ** 2, thread.shifts);

/** Explains a thread by one trouble, whose marks these are, and each way; `from` is a point up to which `trails` hold. */
function explain(
  { thread, prior, start, ways }: Weighing,
  trouble: Trouble,
  marks: Marks,
  into: Weighed[],
  { trails, from = -1 }: { trails?: readonly Float64Array[]; from?: number } = {},
): Weighed {
  const logTrouble = trouble.odd.length * Math.log(prior.oddChance) + trouble.steps.length * Math.log(prior.stepChance);
  let best: Weighed | null = null;
  for (let way = 0; way < ways.length; way += 1) {
    const { drift, scatter, motion, logShare } = ways[way]!;
    const end = follow(thread.points, motion, start, marks, trails?.[way], from);
    const log = logShare + logTrouble + end.logEvidence;
    if (best !== null && log < best.log - TOO_UNLIKELY && trouble !== NO_TROUBLE) continue;
    const weighed = { drift, scatter, trouble, end, log };
    into.push(weighed);
    if (best === null || log > best.log) best = weighed;
  }
  return best!;
}

/** A trouble with one more in it than another, at a point: up to there the two are the same. */
interface OneMore {
  readonly trouble: Trouble;
  readonly at: number;
  readonly isStep: boolean;
}

/** Does something with the marks of a trouble as they are with one more in it. */
function marked<T>(marks: Marks, { at, isStep }: OneMore, { oddSd, stepSd }: ReadyThread, what: () => T): T {
  const [where, more] = isStep ? [marks.before, stepSd * stepSd] : [marks.at, oddSd * oddSd];
  const was = where[at]!;
  where[at] = was + more;
  const came = what();
  where[at] = was;
  return came;
}

/** Every trouble with one more odd reading or step in it. */
function* oneMore(trouble: Trouble, points: readonly FollowPoint[]): Generator<OneMore> {
  for (let at = 0; at < points.length; at += 1) {
    if (trouble.odd.includes(at) || trouble.steps.includes(at)) continue;
    yield { trouble: { odd: [...trouble.odd, at], steps: trouble.steps }, at, isStep: false };
    // A step lies between two visits, not between two readings of one.
    if (at > 0 && points[at]!.years > points[at - 1]!.years)
      yield { trouble: { odd: trouble.odd, steps: [...trouble.steps, at] }, at, isStep: true };
  }
}

/** The best explanation by a straight line and ordinary scatter: a wide scatter or a wandering drift would hide what is off. */
function plainest(all: readonly Weighed[], trouble: Trouble, prior: ThreadPrior): Weighed {
  const same = all.filter((w) => w.trouble === trouble);
  const plain = same.filter((w) => prior.scatter[w.scatter]!.factor === 1 && prior.classes[w.drift]!.wander === 0);
  return (plain.length > 0 ? plain : same).reduce((best, w) => (w.log > best.log ? w : best));
}

/** Troubles weighed in full; the others are far less likely. */
const MOST_WEIGHED = 6;

/** The troubles that would explain the thread best, tried with a few ways of wearing and ordinary scatter. */
function likeliest(
  { thread, prior, start }: Weighing,
  marks: Marks,
  troubles: readonly OneMore[],
  plain: Weighed,
): OneMore[] {
  if (troubles.length <= MOST_WEIGHED) return [...troubles];
  const ways = [...new Set([0, 1, plain.drift])].map((drift) => {
    const { mean, sd } = prior.classes[drift]!;
    const motion = { mean, sd, wander: 0, scatter: 1 };
    const trail = trailFor(thread.points.length);
    follow(thread.points, motion, start, marks, trail);
    return { motion, trail };
  });
  const best = (one: OneMore) =>
    marked(marks, one, thread, () => {
      let log = -Infinity;
      for (const { motion, trail } of ways) {
        const end = follow(thread.points, motion, start, marks, trail, one.at);
        if (end.logEvidence > log) log = end.logEvidence;
      }
      return log;
    });
  return troubles
    .map((one) => ({ one, log: best(one) }))
    .sort((a, b) => b.log - a.log)
    .slice(0, MOST_WEIGHED)
    .map(({ one }) => one);
}

function explainAll(thread: ReadyThread, prior: ThreadPrior): Weighed[] {
  const all: Weighed[] = [];
  const weighing = weighingOf(thread, prior);
  let best = explain(weighing, NO_TROUBLE, marksIn(thread, NO_TROUBLE), all);
  const n = thread.points.length;
  let trails: Float64Array[] | undefined;
  for (let found = 0; found < MOST_TROUBLES && n >= LEAST_FOR_TROUBLE; found += 1) {
    const base = best.trouble;
    const plain = plainest(all, base, prior);
    if (plain.end.worstSurprise < LOOK_FROM) break;
    const marks = marksIn(thread, base);
    // What is the same up to where a trouble begins is followed once.
    trails ??= weighing.ways.map(() => trailFor(n));
    explain(weighing, base, marks, [], { trails });
    let next = best;
    for (const one of likeliest(weighing, marks, [...oneMore(base, thread.points)], plain)) {
      const options = { trails, from: one.at };
      const candidate = marked(marks, one, thread, () => explain(weighing, one.trouble, marks, all, options));
      if (candidate.log > next.log) next = candidate;
    }
    if (next === best) break;
    best = next;
  }
  return all;
}

function weigh(all: readonly Weighed[]): Explanation[] {
  let top = -Infinity;
  for (const { log } of all) if (log > top) top = log;
  let sum = 0;
  for (const { log } of all) sum += Math.exp(log - top);
  const kept: { -readonly [K in keyof Explanation]: Explanation[K] }[] = [];
  let rest = 0;
  for (const { drift, scatter, trouble, end, log } of all) {
    const weight = Math.exp(log - top);
    if (weight < WEIGHT_WORTH_KEEPING * sum) continue;
    rest += weight;
    kept.push({ drift, scatter, trouble, end, weight });
  }
  for (const explanation of kept) explanation.weight /= rest;
  return kept;
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
  const explanations = weigh(explainAll(thread, prior));
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

/** Visits are about so far apart, years: a prior's chance of a step is between two of them. */
const VISIT_YEARS = 0.5;

/**
 * Where the part is so many years after its last reading, as a mixture in shares of the reference: by each explanation,
 * and by a step on the way, as often as the prior has seen them.
 */
export function levelsAt(fit: ThreadFit, yearsAfter: number): Bell[] {
  const ahead = fit.stepsAhead;
  const steps = yearsAfter > 0 ? 1 - (1 - ahead.chance) ** (yearsAfter / VISIT_YEARS) : 0;
  const bells: Bell[] = [];
  let [mean, square, all] = [0, 0, 0];
  for (const { weight, end } of fit.explanations) {
    const level = levelAfter(end, yearsAfter);
    mean += weight * level.mean;
    square += weight * (level.sd * level.sd + level.mean * level.mean);
    // Unlikely explanations count in the whole, but not one by one.
    if (weight < WEIGHT_WORTH_A_BELL) continue;
    all += weight;
    const sd = fit.sharedSd > 0 ? Math.hypot(level.sd, fit.sharedSd) : level.sd;
    bells.push({ weight: weight * (1 - steps), mean: level.mean, sd });
  }
  const scaled = bells.map((b) => ({ ...b, weight: b.weight / all }));
  if (steps === 0) return scaled;
  const spread = Math.sqrt(Math.max(0, square - mean * mean) + ahead.sd ** 2 + fit.sharedSd ** 2);
  return [...scaled, { weight: steps, mean: mean + ahead.mean, sd: spread }];
}
