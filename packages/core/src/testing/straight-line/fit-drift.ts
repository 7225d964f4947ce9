/** One measured point of a thread. */
export interface DriftPoint {
  /** Time, in days (any origin). */
  readonly day: number;
  /** Measured value, in the thread's unit. */
  readonly value: number;
  /** Standard deviation of the measurement, same unit; leave out when it is not known. */
  readonly error?: number | undefined;
}

/** What is believed before the points are seen. */
export interface DriftPrior {
  /** Drift a day, unit/day: mean and standard deviation. */
  readonly drift?: { readonly mean: number; readonly sd: number } | undefined;
  /** Level on a given day, in the thread's unit. */
  readonly level?: { readonly day: number; readonly value: number; readonly sd: number } | undefined;
  /** How many readings' worth the stated errors are trusted; 0 lets the points alone say how much they scatter. */
  readonly errorTrust?: number | undefined;
}

/** A straight line through a thread, with everything its uncertainty needs. */
export interface DriftFit {
  readonly outcome: 'fit';
  readonly n: number;
  /** Drift, unit/day. */
  readonly slope: number;
  /** Level on day 0, unit. */
  readonly intercept: number;
  readonly slopeSe: number;
  readonly interceptSe: number;
  /** Residual standard deviation √(Σ r² / (n − 2)), unit; NaN with fewer than three points. */
  readonly residualSd: number;
  /** Degrees of freedom of the scatter; Infinity when the errors are taken as known. */
  readonly dof: number;
  /** Weighted middle day of the points; level and covariances below are about it. */
  readonly centreDay: number;
  readonly centreLevel: number;
  readonly levelVariance: number;
  readonly slopeVariance: number;
  readonly covariance: number;
  /** Share of what is known of the drift that comes from these points rather than from the prior, 0 to 1. */
  readonly ownShare: number;
  /** Last day of a point. */
  readonly lastDay: number;
}

export interface CannotFit {
  readonly outcome: 'cannot-say';
  readonly because: 'no-points' | 'too-few-points' | 'all-on-one-day' | 'not-a-number';
}

interface Sums {
  weight: number;
  day: number;
  value: number;
  sxx: number;
  sxy: number;
}

const weightOf = (point: DriftPoint): number => (point.error === undefined ? 1 : 1 / (point.error * point.error));

function sumsOf(points: readonly DriftPoint[]): Sums {
  let weight = 0;
  let day = 0;
  let value = 0;
  for (const p of points) {
    const w = weightOf(p);
    weight += w;
    day += w * p.day;
    value += w * p.value;
  }
  day /= weight;
  value /= weight;
  let sxx = 0;
  let sxy = 0;
  for (const p of points) {
    const w = weightOf(p);
    sxx += w * (p.day - day) * (p.day - day);
    sxy += w * (p.day - day) * (p.value - value);
  }
  return { weight, day, value, sxx, sxy };
}

function chiSquare(points: readonly DriftPoint[], sums: Sums): number {
  const slope = sums.sxx > 0 ? sums.sxy / sums.sxx : 0;
  return points.reduce((sum, p) => {
    const r = p.value - sums.value - slope * (p.day - sums.day);
    return sum + weightOf(p) * r * r;
  }, 0);
}

function problemWith(
  points: readonly DriftPoint[],
  prior: DriftPrior | undefined,
  sxx: number,
): CannotFit['because'] | undefined {
  if (
    points.some(
      (p) => !Number.isFinite(p.day) || !Number.isFinite(p.value) || (p.error !== undefined && !(p.error > 0)),
    )
  ) {
    return 'not-a-number';
  }
  const known = prior?.drift !== undefined;
  if (!known && !(sxx > 0)) return points.length < 2 ? 'too-few-points' : 'all-on-one-day';
  const trusted = prior?.errorTrust ?? 0;
  return points.length + trusted <= 2 ? 'too-few-points' : undefined;
}

/**
 * Fits a straight line to a thread: a Gaussian linear model with the stated measurement errors, scaled by how much the
 * points really scatter, and a Gaussian prior on drift (and level, if given). Closed form.
 *
 * With a flat prior (none given) and no errors it is ordinary least squares exactly: slope, intercept, their standard
 * errors and the residual standard deviation as in any textbook. With errors, points are weighted by 1/error².
 * The scatter scale is φ² = (trust + Σ w r²) / (trust + n − 2), so `errorTrust` counts as that many readings that
 * scattered exactly as stated. Points may come in any order; the caller's array is left alone.
 *
 * Cannot be said from no points, from points that are not finite numbers, from one day only without a drift prior, or
 * when n − 2 + errorTrust is not above zero.
 * fitDrift([{day:0,value:1},{day:1,value:3},{day:2,value:5}]).slope is 2.
 */
export function fitDrift(points: readonly DriftPoint[], prior?: DriftPrior): DriftFit | CannotFit {
  if (points.length === 0) return { outcome: 'cannot-say', because: 'no-points' };
  const sums = sumsOf(points);
  const because = problemWith(points, prior, sums.sxx);
  if (because) return { outcome: 'cannot-say', because };
  const n = points.length;
  const trust = prior?.errorTrust ?? 0;
  const chi2 = chiSquare(points, sums);
  const dof = Math.max(0, n - 2) + trust;
  const scale = (trust + chi2) / dof;
  return solve(points, sums, prior, scale, dof, n > 2 ? Math.sqrt(chi2 / (n - 2)) : NaN);
}

function solve(
  points: readonly DriftPoint[],
  sums: Sums,
  prior: DriftPrior | undefined,
  scale: number,
  dof: number,
  residualSd: number,
): DriftFit {
  // Everything is multiplied by the scale φ² so that a perfect line (φ² = 0) stays finite.
  const drift = prior?.drift;
  const level = prior?.level;
  const slopePrior = drift ? scale / (drift.sd * drift.sd) : 0;
  const levelPrior = level ? scale / (level.sd * level.sd) : 0;
  const reach = level ? level.day - sums.day : 0;
  const p11 = sums.weight + levelPrior;
  const p12 = levelPrior * reach;
  const p22 = sums.sxx + slopePrior + levelPrior * reach * reach;
  const offset = level ? level.value - sums.value : 0;
  const q1 = levelPrior * offset;
  const q2 = sums.sxy + slopePrior * (drift?.mean ?? 0) + levelPrior * offset * reach;
  const determinant = p11 * p22 - p12 * p12;
  const shift = (p22 * q1 - p12 * q2) / determinant;
  const slope = (p11 * q2 - p12 * q1) / determinant;
  const levelVariance = (scale * p22) / determinant;
  const slopeVariance = (scale * p11) / determinant;
  const covariance = (-scale * p12) / determinant;
  const centreLevel = sums.value + shift;
  return {
    outcome: 'fit',
    n: points.length,
    slope,
    intercept: centreLevel - slope * sums.day,
    slopeSe: Math.sqrt(slopeVariance),
    interceptSe: Math.sqrt(levelVariance - 2 * covariance * sums.day + slopeVariance * sums.day * sums.day),
    residualSd,
    dof,
    centreDay: sums.day,
    centreLevel,
    levelVariance,
    slopeVariance,
    covariance,
    ownShare: sums.sxx === 0 ? 0 : sums.sxx / (sums.sxx + slopePrior),
    lastDay: Math.max(...points.map((p) => p.day)),
  };
}
