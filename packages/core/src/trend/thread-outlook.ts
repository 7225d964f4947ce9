import type { Policy } from '../judgement/policy.ts';
import type { ReadingKind } from '../readings/kind.ts';
import { DAYS_A_YEAR, type Day } from '../quantity/day.ts';
import { fitDrift, type DriftFit, type DriftPoint } from './fit-drift.ts';
import { outlook, type Limit, type Outlook } from './outlook.ts';
import { studentQuantile } from './distribution.ts';

/** A numeric reading of one thread. */
export interface ThreadReading {
  readonly day: Day;
  /** In the kind's unit. */
  readonly value: number;
  readonly method: string;
}

export type ThreadOutlook =
  | { readonly outcome: 'outlook'; readonly fit: DriftFit; readonly outlook: Outlook; readonly n: number }
  | { readonly outcome: 'cannot-say'; readonly n: number };

/** How many readings' worth the meters' stated errors are trusted before a thread's own scatter speaks. */
const ERROR_TRUST = 6;

/** Readings as points with the measurement error of their method, same unit as the kind. */
export const pointsOf = (kind: ReadingKind, readings: readonly ThreadReading[]): DriftPoint[] =>
  readings.map(({ day, value, method }) => ({
    day,
    value,
    error: kind.methods.find((m) => m.id === method)?.error(value),
  }));

/** Fits the readings of one thread with the kind's drift prior, scaled by a reference value (rating or baseline). */
export function fitThread(
  kind: ReadingKind,
  readings: readonly ThreadReading[],
  reference: number,
): ReturnType<typeof fitDrift> {
  const perDay = reference / DAYS_A_YEAR;
  return fitDrift(pointsOf(kind, readings), {
    drift: { mean: kind.driftPrior.meanShare * perDay, sd: kind.driftPrior.sdShare * perDay },
    errorTrust: ERROR_TRUST,
  });
}

/**
 * Where a thread will stand on a day, from its readings (kind's unit), its limit and a reference value for the prior.
 * Cannot be said from no readings.
 */
export function threadOutlookOf(
  kind: ReadingKind,
  readings: readonly ThreadReading[],
  reference: number,
  limit: Limit,
  day: Day,
): ThreadOutlook {
  const fit = fitThread(kind, readings, reference);
  if (fit.outcome === 'cannot-say') return { outcome: 'cannot-say', n: readings.length };
  return { outcome: 'outlook', fit, outlook: outlook(fit, limit, day), n: readings.length };
}

/**
 * How far a new reading lies off the line of the earlier ones, in standard deviations of line and meter together, and
 * the value the line expected. Null with fewer than three earlier readings, when no line is established yet.
 */
export function departureFromLine(
  kind: ReadingKind,
  earlier: readonly ThreadReading[],
  reading: ThreadReading,
  reference: number,
): { deviations: number; expected: number } | null {
  if (earlier.length < 3) return null;
  const fit = fitThread(kind, earlier, reference);
  if (fit.outcome === 'cannot-say') return null;
  const ahead = outlook(fit, {}, reading.day);
  const lineSd = (ahead.high80 - ahead.expected) / studentQuantile(0.9, fit.dof);
  const meter = pointsOf(kind, [reading])[0]?.error ?? 0;
  const sd = Math.hypot(lineSd, meter);
  return { deviations: Math.abs(reading.value - ahead.expected) / sd, expected: ahead.expected };
}

/** Whether a new reading is too far off its own thread to be taken at its word; see the policy's oddPointDeviations. */
export const isOdd = (departure: { deviations: number } | null, policy: Policy): boolean =>
  departure !== null && departure.deviations > policy.trend.oddPointDeviations;
