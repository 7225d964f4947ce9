import { startingPrior, type DriftClass, type ThreadPrior } from './drift-prior.ts';
import type { SeriesSpec } from './spec.ts';
import { fitThread, type ReadyThread, type ThreadFit } from './fit-thread.ts';

/** How many threads the starting figures are worth. */
const STARTING_WORTH = 10;
/** A class's spread never closes below this share of the spread it starts with. */
const LEAST_SPREAD = 0.12;
const ROUNDS = 10;
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

function step(start: ThreadPrior, prior: ThreadPrior, threads: readonly ReadyThread[]): ThreadPrior {
  const counts: Counts = {
    classes: prior.classes.map(() => ({ weight: 0, drift: 0, square: 0 })),
    scatter: prior.scatter.map(() => 0),
    readings: 0,
    odd: 0,
    steps: 0,
  };
  for (const thread of threads) {
    const fit = fitThread(thread, prior);
    if (fit) count(counts, fit);
  }
  return {
    ...prior,
    classes: start.classes.map((c, i) => learnedClass(c, counts.classes[i]!, threads.length)),
    scatter: start.scatter.map(({ share, factor }, i) => ({
      factor,
      share: (STARTING_WORTH * share + counts.scatter[i]!) / (STARTING_WORTH + threads.length),
    })),
    oddChance: learnedChance(start.oddChance, counts.odd, counts.readings),
    stepChance: learnedChance(start.stepChance, counts.steps, counts.readings),
  };
}

/**
 * Learns what the parts of one class are like from a firm's own threads: empirical Bayes by expectation–maximisation
 * (Dempster, Laird and Rubin, 1977) over the ways of wearing, the scatter, and how often readings are odd or parts
 * step. The starting figures count as ten threads, so that a small fleet is not taken at its word.
 */
export function learnThreadPrior(spec: SeriesSpec, all: readonly ReadyThread[]): ThreadPrior {
  const threads = all.filter(canTeach);
  const telling = threads.filter((t) => t.points.length >= LEAST_READINGS);
  const start = { ...startingPrior(spec), asFitted: asFittedOf(threads), threads: telling.length };
  let prior: ThreadPrior = start;
  for (let round = 0; round < ROUNDS && telling.length > 0; round += 1) prior = step(start, prior, telling);
  return prior;
}
