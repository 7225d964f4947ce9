import { cholesky, forward } from './cholesky.ts';
import { driftOf } from './drift-prior.ts';
import type { ReadyThread } from './thread-shape.ts';
import type { ThreadPrior } from './drift-prior.ts';

/** How machines of a class answer weather beside what is usual: shares of the reference for each degree away. */
export interface WeatherPrior {
  readonly mean: number;
  readonly sd: number;
}

/** What one machine's own readings say of its answer. */
export interface OwnAnswer {
  readonly slope: number;
  readonly sd: number;
}

/** An answer is spoken of from so many readings on, over weather that spreads by so much, °F. */
const LEAST_READINGS = 4;
const LEAST_SPREAD_F = 3;
/** What readings scatter by beside their stated error, so that one that is off does not pass for an answer. */
const SCATTER = 1.3;

/** Whether a thread has readings enough over weather enough. */
function isTelling(away: readonly (number | null)[]): boolean {
  const known = away.filter((a) => a !== null);
  if (known.length < LEAST_READINGS) return false;
  const mean = known.reduce((a, b) => a + b, 0) / known.length;
  return Math.sqrt(known.reduce((sum, a) => sum + (a - mean) ** 2, 0) / known.length) >= LEAST_SPREAD_F;
}

/** A reading so many standard deviations off the middle of its thread says nothing of weather. */
const SET_ASIDE_FROM = 4;

/** What a thread's readings alone say of its machine's answer: the sum of evidence, and of evidence times slope. */
function shown(thread: ReadyThread, prior: ThreadPrior): { information: number; value: number } | null {
  const { points, away, levelSd } = thread;
  if (!away || !isTelling(away)) return null;
  const { mean, variance } = driftOf(prior.classes);
  const sorted = points.map((p) => p.value).sort((a, b) => a - b);
  const middle = sorted[Math.floor(sorted.length / 2)]!;
  const all = points.map((point, i) => {
    const since = point.years - points[0]!.years;
    const scatter = SCATTER * SCATTER * point.variance;
    const off = point.value - middle - mean * since;
    const isOff = off * off > SET_ASIDE_FROM ** 2 * (scatter + variance * since * since);
    return { since, scatter, off, away: isOff ? null : (away[i] ?? null) };
  });
  const known = all.filter((k) => k.away !== null);
  if (known.length < LEAST_READINGS) return null;
  const n = known.length;
  const covariance = new Float64Array(n * n);
  for (let i = 0; i < n; i += 1) {
    for (let j = 0; j < n; j += 1)
      covariance[i * n + j] = levelSd * levelSd + variance * known[i]!.since * known[j]!.since;
    covariance[i * n + i]! += known[i]!.scatter;
  }
  const factor = cholesky(covariance, n);
  if (!factor) return null;
  const off = forward(
    factor,
    n,
    Float64Array.from(known, (k) => k.off),
  );
  const lean = forward(
    factor,
    n,
    Float64Array.from(known, (k) => k.away!),
  );
  let [information, value] = [0, 0];
  for (let i = 0; i < n; i += 1) {
    information += lean[i]! * lean[i]!;
    value += lean[i]! * off[i]!;
  }
  return { information, value };
}

/**
 * How a machine answers weather by its own readings and its class, with its level and drift allowed for: the slope of a
 * linear mixed model with all else marginalized. Null where it has too few readings over too little weather.
 */
export function ownAnswer(thread: ReadyThread, prior: ThreadPrior, weather: WeatherPrior): OwnAnswer | null {
  const own = shown(thread, prior);
  if (!own) return null;
  const information = own.information + 1 / weather.sd ** 2;
  return { slope: (own.value + weather.mean / weather.sd ** 2) / information, sd: Math.sqrt(1 / information) };
}

/** How many machines the usual spread of answers is worth, and how many have to show theirs. */
const WORTH = 8;
const LEAST_ANSWERS = 15;
/** How much machines are taken to differ before any has shown it, of what their kind says. */
const START_SPREAD = 0.8;
/** Half of all standard normal variables are nearer to zero than this. */
const HALF = 0.6745;
const HALVINGS = 30;

const medianOf = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)]!;
};

/**
 * How machines of a class answer weather, from threads that show it: the middle of their slopes, and the spread by which half
 * of them lie as near it as they would. Steps and slips count no more than any other. Undefined where too few show theirs.
 */
export function learnAnswers(threads: readonly ReadyThread[], prior: ThreadPrior): WeatherPrior | undefined {
  const allowed = threads.find((t) => (t.awaySd ?? 0) > 0)?.awaySd;
  if (allowed === undefined) return undefined;
  const start = START_SPREAD * allowed;
  const answers = threads.flatMap((t) => {
    const own = shown(t, prior);
    const error = own && own.information > 0 ? 1 / own.information : Infinity;
    return own && error < (4 * start) ** 2 ? [{ slope: own.value / own.information, error }] : [];
  });
  if (answers.length < LEAST_ANSWERS) return undefined;
  const middle = medianOf(answers.map((a) => a.slope));
  let [low, high] = [0, 4 * start];
  for (let i = 0; i < HALVINGS; i += 1) {
    const sd = (low + high) / 2;
    const away = medianOf(answers.map((a) => Math.abs(a.slope - middle) / Math.sqrt(sd * sd + a.error)));
    if (away > HALF) low = sd;
    else high = sd;
  }
  const share = answers.length / (answers.length + WORTH);
  return { mean: share * middle, sd: Math.sqrt(share * low * low + (1 - share) * start * start) };
}

/** A thread with its machine's own answer to weather taken out of each reading; as it was where that cannot be told. */
export function withOwnAnswer(thread: ReadyThread, prior: ThreadPrior): ReadyThread {
  if (!prior.weather || !thread.away) return thread;
  const own = ownAnswer(thread, prior, prior.weather);
  if (!own) return thread;
  const { away } = thread;
  const points = thread.points.map((p, i) => {
    const by = away[i] ?? null;
    if (by === null) return p;
    // What was allowed for an answer that is not known gives way to what is left unknown of it.
    const { variance } = p;
    const allowed = thread.awayAllowed ? Math.min(0.8 * variance, (thread.awaySd ?? 0) ** 2 * by * by) : 0;
    return { ...p, value: p.value - own.slope * by, variance: variance - allowed + (own.sd * by) ** 2 };
  });
  return { ...thread, points };
}
