/** A point of a thread as it is followed: in years from any origin, value and variance as shares of the reference. */
export interface FollowPoint {
  readonly years: number;
  readonly value: number;
  readonly variance: number;
}

/** How the part is taken to move; shares of the reference, years. */
export interface Motion {
  readonly mean: number;
  readonly sd: number;
  readonly wander: number;
  /** Multiple of the points' standard deviation. */
  readonly scatter: number;
}

/** What is believed of the level before the first point, and when. */
export interface StartLevel {
  readonly years: number;
  readonly mean: number;
  readonly sd: number;
}

/** What went wrong with the readings, if anything: points by their place in the thread. */
export interface Trouble {
  /** Points that say nothing of the part. */
  readonly odd: readonly number[];
  /** Points before which the part itself stepped. */
  readonly steps: readonly number[];
}

export const NO_TROUBLE: Trouble = { odd: [], steps: [] };

/** Level and drift after the last point, with their covariance. */
export interface Followed {
  readonly years: number;
  readonly level: number;
  readonly drift: number;
  readonly levelVariance: number;
  readonly covariance: number;
  readonly driftVariance: number;
  readonly wander: number;
  /** Natural logarithm of the density of the points under this motion. */
  readonly logEvidence: number;
  /** The largest surprise of a point, in standard deviations of what was expected of it. */
  readonly worstSurprise: number;
}

const LOG_TWO_PI = Math.log(2 * Math.PI);
/** Variances are multiplied up and their logarithm taken once in so many points: a product of more could underflow. */
const POINTS_A_LOGARITHM = 16;

/** What is added to a thread's variances, point by point: before it, to the level, and at it, to the reading. */
export interface Marks {
  readonly before: Float64Array;
  readonly at: Float64Array;
}

/**
 * What a trouble adds. `oddVariance` and `stepVariance` are what an odd point and a step add, shares squared; `shifts`
 * are places in the thread before which an event is known that may have moved the level.
 */
export function marksOf(
  n: number,
  trouble: Trouble,
  oddVariance: number,
  stepVariance: number,
  shifts: readonly number[] = [],
): Marks {
  const [before, at] = [new Float64Array(n), new Float64Array(n)];
  for (const i of trouble.odd) at[i] = oddVariance;
  for (const i of trouble.steps) before[i]! += stepVariance;
  for (const i of shifts) if (i < n) before[i]! += stepVariance;
  return { before, at };
}

/** Numbers kept of each point on the way: level, drift, their three variances, evidence, worst surprise. */
const KEPT = 7;

/** Room for what was believed before each point of a thread of so many. */
export const trailFor = (points: number): Float64Array => new Float64Array(KEPT * points);

/**
 * Follows a thread point by point under one motion: a level that drifts, a drift that may wander, readings with known
 * error. This is the Kalman filter of a local linear trend (R. E. Kalman, 1960): without wander it is Bayesian linear
 * regression with a Gaussian prior on level and drift, exactly, and with a flat prior ordinary least squares.
 * `points` in order of time. Into `trail` goes what is believed before each point; with `from`, it is taken up at that
 * point as the trail has it, since up to there nothing differs, and the trail stays as it is.
 */
export function follow(
  points: readonly FollowPoint[],
  motion: Motion,
  start: StartLevel,
  marks: Marks,
  trail?: Float64Array,
  from = -1,
): Followed {
  const wander = motion.wander * motion.wander;
  const scatter = motion.scatter * motion.scatter;
  let [years, level, drift] = [start.years, start.mean, motion.mean];
  let [p11, p12, p22] = [start.sd * start.sd, 0, motion.sd * motion.sd];
  let [log, product, worst] = [0, 1, 0];
  let i = 0;
  if (trail && from > 0) {
    i = from;
    const kept = trail;
    const k = KEPT * i;
    years = points[i - 1]!.years;
    level = kept[k]!;
    drift = kept[k + 1]!;
    p11 = kept[k + 2]!;
    p12 = kept[k + 3]!;
    p22 = kept[k + 4]!;
    log = kept[k + 5]!;
    worst = kept[k + 6]!;
  }
  for (; i < points.length; i += 1) {
    if (trail && from < 0) {
      const k = KEPT * i;
      trail[k] = level;
      trail[k + 1] = drift;
      trail[k + 2] = p11;
      trail[k + 3] = p12;
      trail[k + 4] = p22;
      trail[k + 5] = log - Math.log(product);
      trail[k + 6] = worst;
    }
    const point = points[i]!;
    const dt = point.years - years;
    if (dt !== 0) {
      level += drift * dt;
      p11 += 2 * dt * p12 + dt * dt * p22 + (wander * dt * dt * Math.abs(dt)) / 3;
      p12 += dt * p22 + (wander * dt * Math.abs(dt)) / 2;
      p22 += wander * Math.abs(dt);
      years = point.years;
    }
    p11 += marks.before[i]!;
    const odd = marks.at[i]!;
    const total = p11 + point.variance * scatter + odd;
    const surprise = point.value - level;
    const squared = (surprise * surprise) / total;
    log -= squared;
    product *= total;
    if (i % POINTS_A_LOGARITHM === POINTS_A_LOGARITHM - 1) {
      log -= Math.log(product);
      product = 1;
    }
    if (odd === 0 && squared > worst) worst = squared;
    const g1 = p11 / total;
    const g2 = p12 / total;
    level += g1 * surprise;
    drift += g2 * surprise;
    p22 -= g2 * p12;
    p12 -= g1 * p12;
    p11 -= g1 * p11;
  }
  return {
    years,
    level,
    drift,
    levelVariance: p11,
    covariance: p12,
    driftVariance: p22,
    wander: motion.wander,
    logEvidence: 0.5 * (log - Math.log(product) - points.length * LOG_TWO_PI),
    worstSurprise: Math.sqrt(worst),
  };
}

/** Mean and standard deviation of the part's level so many years after (or before) its last point. */
export function levelAfter(followed: Followed, years: number): { mean: number; sd: number } {
  const { level, drift, levelVariance, covariance, driftVariance, wander } = followed;
  const variance =
    levelVariance +
    2 * years * covariance +
    years * years * driftVariance +
    (wander * wander * Math.abs(years) ** 3) / 3;
  return { mean: level + drift * years, sd: Math.sqrt(Math.max(0, variance)) };
}
