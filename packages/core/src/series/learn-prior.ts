import { startingPrior, type DriftClass, type ThreadPrior } from './drift-prior.ts';
import { fitThread, type ThreadFit } from './fit-thread.ts';
import type { ReadyThread } from './thread-shape.ts';
import { addThread, mirror, noEvidence, type MeterEvidence } from './meter-evidence.ts';
import { addChecks, type MeterCheck } from './meter-checks.ts';
import { layMeters, offsetBy, placePulls, type MeterLayout } from './meter-layout.ts';
import type { MetersKnown } from './meters-known.ts';
import { metersKnown, noMeters, solveMeters, type ClassStart } from './solve-meters.ts';
import { learnAnswers } from './own-weather.ts';
import type { SeriesSpec } from './spec.ts';

/** How many threads the starting figures are worth. */
const STARTING_WORTH = 10;
/** A class's spread never closes below this share of the spread it starts with. */
const LEAST_SPREAD = 0.12;
const ROUNDS = 10;
/** Rounds after which the meters are solved for anew: often at first, while much moves. */
const METER_ROUNDS: ReadonlySet<number> = new Set([0, 1, 2, 4, 6, 9]);
/** Threads with fewer readings teach nothing about drift. */
const LEAST_READINGS = 3;
/** First readings this soon after fitting tell the level as fitted, years, and at least so many are needed. */
const AS_FITTED_YEARS = 0.3;
const LEAST_AS_FITTED = 12;

/** No part reads so many times its reference: such a figure is a slip that would drown all others. */
const MOST_TIMES_REFERENCE = 1e6;

/** Whether a thread's figures can be reckoned with at all; one that cannot teaches nothing, and spoils nothing. */
export const canTeach = ({ points }: ReadyThread): boolean =>
  points.every((p) => Math.abs(p.value) <= MOST_TIMES_REFERENCE && p.variance > 0 && p.variance < Infinity);

/** What a class of threads teaches about the level of a new part, share of the reference. */
function asFittedOf(threads: readonly ReadyThread[]): ThreadPrior['asFitted'] {
  const firsts = threads.flatMap(({ points, fittedYears }) => {
    const first = points[0];
    const isNew = first && fittedYears !== null && first.years - fittedYears < AS_FITTED_YEARS;
    return isNew && first.years >= fittedYears ? [first] : [];
  });
  if (firsts.length < LEAST_AS_FITTED) return null;
  // Odd first readings must not widen it: the middle is the median, the spread that of the middle half.
  const sorted = firsts.map((p) => p.value).sort((a, b) => a - b);
  const at = (share: number) => sorted[Math.round(share * (sorted.length - 1))]!;
  const spread = (at(0.75) - at(0.25)) / 1.349;
  const meter = firsts.reduce((sum, p) => sum + p.variance, 0) / firsts.length;
  // Meters take their share of it; what is left is never taken for less than a third of what is seen.
  const sd = Math.sqrt(Math.max(spread ** 2 - meter, (spread / 3) ** 2, 1e-6));
  return { mean: at(0.5), sd: 1.15 * sd };
}

interface Tally {
  weight: number;
  drift: number;
  square: number;
}

interface Counts {
  readonly classes: Tally[];
  readonly scatter: number[];
  readings: number;
  odd: number;
  steps: number;
}

function count(counts: Counts, fit: ThreadFit): void {
  for (const { weight, drift, scatter, end } of fit.explanations) {
    const tally = counts.classes[drift]!;
    tally.weight += weight;
    tally.drift += weight * end.drift;
    tally.square += weight * (end.driftVariance + end.drift * end.drift);
    counts.scatter[scatter]! += weight;
  }
  counts.readings += fit.n;
  counts.odd += fit.oddChances.reduce((a, b) => a + b, 0);
  counts.steps += fit.stepChances.reduce((a, b) => a + b, 0);
}

function learnedClass(start: DriftClass, tally: Tally, all: number): DriftClass {
  const share = (STARTING_WORTH * start.share + tally.weight) / (STARTING_WORTH + all);
  // A bending part's last drift is not the drift it began with: of those only how many there are is learned.
  if (start.wander > 0) return { ...start, share };
  const worth = STARTING_WORTH * start.share;
  const weight = worth + tally.weight;
  const mean = (worth * start.mean + tally.drift) / weight;
  const square = (worth * (start.sd ** 2 + start.mean ** 2) + tally.square) / weight;
  const sd = Math.max(LEAST_SPREAD * start.sd, Math.sqrt(Math.max(0, square - mean * mean)));
  return { share, mean, sd, wander: 0 };
}

const learnedChance = (start: number, seen: number, of: number): number =>
  Math.min(0.1, (20 * STARTING_WORTH * start + seen) / (20 * STARTING_WORTH + of));

const noCounts = (prior: ThreadPrior): Counts => ({
  classes: prior.classes.map(() => ({ weight: 0, drift: 0, square: 0 })),
  scatter: prior.scatter.map(() => 0),
  readings: 0,
  odd: 0,
  steps: 0,
});

const learnedOf = (start: ThreadPrior, prior: ThreadPrior, counts: Counts, threads: number): ThreadPrior => ({
  ...prior,
  classes: start.classes.map((c, i) => learnedClass(c, counts.classes[i]!, threads)),
  scatter: start.scatter.map(({ share, factor }, i) => ({
    factor,
    share: (STARTING_WORTH * share + counts.scatter[i]!) / (STARTING_WORTH + threads),
  })),
  oddChance: learnedChance(start.oddChance, counts.odd, counts.readings),
  stepChance: learnedChance(start.stepChance, counts.steps, counts.readings),
});

/** The threads of one class, and what the arithmetic needs to know of it. */
export interface ClassThreads {
  readonly spec: SeriesSpec;
  readonly threads: readonly ReadyThread[];
}

type Placed = NonNullable<ReturnType<typeof placePulls>>;

/** A class while it is learned: `threads` as read, `telling` those that are fitted. */
interface Learning {
  readonly spec: SeriesSpec;
  readonly threads: readonly ReadyThread[];
  readonly telling: readonly ReadyThread[];
  readonly start: ThreadPrior;
  prior: ThreadPrior;
}

/** A thread with what is believed of its meters taken off. */
function corrected(thread: ReadyThread, placed: Placed | null, x: Float64Array): ReadyThread {
  if (!placed) return thread;
  const points = thread.points.map((p, i) => {
    let { value } = p;
    for (const pull of placed[i]!) {
      const offset = offsetBy(x, pull);
      value = value / (1 + offset) ** pull.power - pull.adds * offset;
    }
    return { ...p, value };
  });
  return { ...thread, points };
}

/** How unsure the level of new parts and the mean drift of a class are where nothing anchors them, in yearly drifts. */
const LEVEL_UNSURE = 5;
const DRIFT_UNSURE = 0.15;

function classStart({ spec, start, prior }: Learning): ClassStart {
  const { sdShare } = spec.driftPrior;
  const anchored = spec.newReads && prior.asFitted;
  const level = anchored
    ? { off: spec.newReads.mean - anchored.mean, sd: spec.newReads.sd }
    : { off: (start.asFitted?.mean ?? 0) - (prior.asFitted?.mean ?? 0), sd: LEVEL_UNSURE * sdShare };
  return { level, driftSd: DRIFT_UNSURE * sdShare };
}

const telling = (threads: readonly ReadyThread[]) => threads.filter((t) => t.points.length >= LEAST_READINGS);

/** What a firm's threads teach: each class of parts, and the meters they were read by. */
export interface LearnedFleet {
  readonly classes: Readonly<Record<string, ThreadPrior>>;
  readonly meters: MetersKnown;
}

/**
 * Learns what the parts of each class are like from a firm's own threads, and how far each meter they were read by was off
 * and when: empirical Bayes by expectation–maximization (Dempster, Laird and Rubin, 1977) over the ways of wearing, the
 * scatter, and how often readings are odd or parts step; and beside it, round by round, a linear mixed model of the
 * meters' offsets over time, of all threads together, with each part's level and drift marginalized. Starting figures
 * count as ten threads of a class, so that a small fleet is not taken at its word. `trade` is the spread of a quantity's
 * meters before any is known; `checks` are looks at meters by themselves. Threads without `pulls` say nothing of meters.
 */
export function learnFleet(
  classes: Readonly<Record<string, ClassThreads>>,
  trade: (quantity: string) => number,
  checks: readonly MeterCheck[] = [],
): LearnedFleet {
  const names = Object.keys(classes).sort();
  const learning = names.map((name): Learning => {
    const { spec, threads: all } = classes[name]!;
    const threads = all.filter(canTeach);
    const its = telling(threads);
    const start = { ...startingPrior(spec), asFitted: asFittedOf(threads), threads: its.length };
    return { spec, threads, telling: its, start, prior: start };
  });
  const layout = layMeters(
    learning.map((l) => l.threads),
    checks,
  );
  const placed = new Map(
    learning.flatMap((l) => l.threads.map((thread) => [thread, placePulls(layout, thread)] as const)),
  );
  let solved = noMeters(layout, trade);
  const hasMeters = layout.tracks.length > 0;
  for (let round = 0; round < ROUNDS; round += 1) {
    const isSolved = hasMeters && METER_ROUNDS.has(round);
    const evidence = isSolved ? noEvidence(layout.size) : null;
    learning.forEach((its, place) =>
      learnRound(its, hasMeters ? { layout, placed, evidence, x: solved.x, place } : null),
    );
    if (!evidence) continue;
    addChecks(evidence, checks, layout);
    mirror(evidence, layout.size);
    solved = solveMeters({ layout, evidence, trade }, solved, learning.map(classStart));
  }
  return {
    classes: Object.fromEntries(learning.map(({ prior }, i) => [names[i]!, prior])),
    meters: hasMeters ? metersKnown(layout, solved) : {},
  };
}

interface Metered {
  readonly layout: MeterLayout;
  readonly placed: ReadonlyMap<ReadyThread, Placed | null>;
  /** Null in a round that does not ask for it. */
  readonly evidence: MeterEvidence | null;
  readonly x: Float64Array;
  readonly place: number;
}

/** One round over one class: fits its threads, counts what they show, and gathers what they say of meters. */
function learnRound(its: Learning, metered: Metered | null): void {
  if (its.telling.length === 0) return;
  const placed = (thread: ReadyThread) => metered?.placed.get(thread) ?? null;
  const as = (thread: ReadyThread) => (metered ? corrected(thread, placed(thread), metered.x) : thread);
  const prior = metered ? { ...its.prior, asFitted: asFittedOf(its.threads.map(as)) } : its.prior;
  const counts = noCounts(prior);
  const ofClass = metered?.layout.ofClass(metered.place) ?? null;
  for (const thread of its.telling) {
    const fit = fitThread(as(thread), prior);
    if (!fit) continue;
    count(counts, fit);
    const pulls = placed(thread);
    if (metered?.evidence && ofClass !== null && pulls) addThread(metered.evidence, thread, fit, prior, pulls, ofClass);
  }
  const weather = learnAnswers(its.telling.map(as), prior);
  its.prior = { ...learnedOf(its.start, prior, counts, its.telling.length), weather };
}
