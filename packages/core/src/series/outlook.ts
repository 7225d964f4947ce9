import { DAYS_A_YEAR } from '../quantity/day.ts';
import { studentCdf, studentQuantile } from './distribution.ts';
import type { DriftFit } from './fit-drift.ts';

/** The value a thread may not fall below or rise above; either side may be missing. */
export interface Limit {
  readonly lower?: number | null | undefined;
  readonly upper?: number | null | undefined;
}

/** When a thread is likely to cross its limit: days at which the chance of being past it is 10, 50 and 90 %. */
export interface Crossing {
  readonly side: 'lower' | 'upper';
  /** Each is null when that chance is not reached within the horizon. */
  readonly earliest: number | null;
  readonly likely: number | null;
  readonly latest: number | null;
}

export interface Outlook {
  /** Where the part is believed to be at its last reading, kind's unit; absent from a plain straight line. */
  readonly now?: number;
  readonly day: number;
  /** Expected value on that day, and the range that holds it with 80 % chance; the thread's unit. */
  readonly expected: number;
  readonly low80: number;
  readonly high80: number;
  /** Chance, 0 to 1, of being past the limit on that day; null when there is no limit. */
  readonly chancePastLimit: number | null;
  readonly crossing: Crossing | null;
}

/** A crossing farther ahead than this is not worth a date, in years. */
const HORIZON_YEARS = 12;

interface Line {
  mean: (day: number) => number;
  sd: (day: number) => number;
}

const lineOf = (fit: DriftFit): Line => ({
  mean: (day) => fit.centreLevel + fit.slope * (day - fit.centreDay),
  sd: (day) => {
    const u = day - fit.centreDay;
    return Math.sqrt(Math.max(0, fit.levelVariance + 2 * fit.covariance * u + fit.slopeVariance * u * u));
  },
});

function chanceBelow(line: Line, dof: number, value: number, day: number): number {
  const sd = line.sd(day);
  const gap = value - line.mean(day);
  if (sd === 0) return gap > 0 ? 1 : 0;
  return studentCdf(gap / sd, dof);
}

/** The first day from `from` at which mean + t·sd has moved past the limit, by solving the quadratic it obeys. */
function dayReached(fit: DriftFit, limit: number, side: Crossing['side'], chance: number, from: number): number | null {
  const sign = side === 'lower' ? 1 : -1;
  const t = studentQuantile(chance, fit.dof);
  const line = lineOf(fit);
  const isPast = (day: number) => sign * (limit - line.mean(day)) >= t * line.sd(day);
  if (isPast(from)) return from;
  const gap = fit.centreLevel - limit;
  const a = fit.slope * fit.slope - t * t * fit.slopeVariance;
  const b = 2 * (gap * fit.slope - t * t * fit.covariance);
  const c = gap * gap - t * t * fit.levelVariance;
  const horizon = from + HORIZON_YEARS * DAYS_A_YEAR;
  const nudge = 1e-6;
  const reached = rootsOf(a, b, c)
    .map((u) => u + fit.centreDay)
    .filter((day) => day > from && day <= horizon && isPast(day + nudge))
    .sort((x, y) => x - y)[0];
  return reached ?? null;
}

function rootsOf(a: number, b: number, c: number): number[] {
  if (a === 0) return b === 0 ? [] : [-c / b];
  const discriminant = b * b - 4 * a * c;
  if (discriminant < 0) return [];
  const q = -0.5 * (b + (b < 0 ? -1 : 1) * Math.sqrt(discriminant));
  return q === 0 ? [0] : [q / a, c / q];
}

function crossingOf(fit: DriftFit, limit: number, side: Crossing['side'], from: number): Crossing {
  const at = (chance: number) => dayReached(fit, limit, side, chance, from);
  return { side, earliest: at(0.1), likely: at(0.5), latest: at(0.9) };
}

/**
 * Where a fitted thread will stand on a day: expected value, 80 % range, chance of being past its limit, and the days
 * around which it is likely to cross it (from the last point on, at most 12 years ahead). The range and the chance are
 * those of the part itself, not of one more reading with its meter error. Student's t with the fit's degrees of freedom.
 * Units: those of the fit; days with the same origin. A limit without sides gives a null chance and crossing.
 */
export function outlook(fit: DriftFit, limit: Limit, day: number): Outlook {
  const line = lineOf(fit);
  const expected = line.mean(day);
  const spread = studentQuantile(0.9, fit.dof) * line.sd(day);
  const lower = limit.lower ?? null;
  const upper = limit.upper ?? null;
  const below = lower === null ? 0 : chanceBelow(line, fit.dof, lower, day);
  const above = upper === null ? 0 : 1 - chanceBelow(line, fit.dof, upper, day);
  const side = lower !== null && (upper === null || below >= above) ? 'lower' : 'upper';
  const nearest = side === 'lower' ? lower : upper;
  return {
    day,
    expected,
    low80: expected - spread,
    high80: expected + spread,
    chancePastLimit: lower === null && upper === null ? null : Math.min(1, below + above),
    crossing: nearest === null ? null : crossingOf(fit, nearest, side, fit.lastDay),
  };
}
