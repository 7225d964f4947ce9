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
export interface ThreadEnd {
  readonly years: number;
  readonly level: number;
  readonly drift: number;
  readonly levelVariance: number;
  readonly covariance: number;
  readonly driftVariance: number;
  readonly wander: number;
}

/** A thread followed to its end. */
export interface Followed extends ThreadEnd {
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

/**
 * What is kept of each point on the way, so many numbers: years since the point before, the surprise and its variance, and by
 * how much of the surprise level and drift were moved.
 */
export const KEPT = 5;

/**
 * Follows a thread point by point under one motion: a level that drifts, a drift that may wander, readings with known
 * error. This is the Kalman filter of a local linear trend (R. E. Kalman, 1960): without wander it is Bayesian linear
 * regression with a Gaussian prior on level and drift, exactly, and with a flat prior ordinary least squares.
 * `points` in order of time. Into `trail`, from `place` on, goes what shocksOf goes back by: KEPT numbers a point.
 */
export function follow(
  points: readonly FollowPoint[],
  motion: Motion,
  start: StartLevel,
  marks: Marks,
  trail?: Float64Array,
  place = 0,
): Followed {
  const wander = motion.wander * motion.wander;
  const scatter = motion.scatter * motion.scatter;
  let [years, level, drift] = [start.years, start.mean, motion.mean];
  let [p11, p12, p22] = [start.sd * start.sd, 0, motion.sd * motion.sd];
  let [log, product, worst] = [0, 1, 0];
  for (let i = 0; i < points.length; i += 1) {
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
    const told = 1 / total;
    const squared = surprise * surprise * told;
    log -= squared;
    product *= total;
    if (i % POINTS_A_LOGARITHM === POINTS_A_LOGARITHM - 1) {
      log -= Math.log(product);
      product = 1;
    }
    if (odd === 0 && squared > worst) worst = squared;
    const g1 = p11 * told;
    const g2 = p12 * told;
    if (trail) {
      const k = place + KEPT * i;
      trail[k] = dt;
      trail[k + 1] = surprise;
      trail[k + 2] = total;
      trail[k + 3] = g1;
      trail[k + 4] = g2;
    }
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
export function levelAfter(end: ThreadEnd, years: number): { mean: number; sd: number } {
  const { level, drift, levelVariance, covariance, driftVariance, wander } = end;
  const wandered = (wander * wander * Math.abs(years) * years * years) / 3;
  const variance = levelVariance + 2 * years * covariance + years * years * driftVariance + wandered;
  return { mean: level + drift * years, sd: Math.sqrt(Math.max(0, variance)) };
}
