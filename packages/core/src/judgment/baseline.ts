import type { Limits } from '../verdict/limits.ts';
import type { Day } from '../quantity/day.ts';
import { isSince, type Shift } from './events.ts';
import type { ComparedReading } from './compare-readings.ts';

/** A part's own normal value, under the kind's common conditions. */
export interface Baseline {
  /** In the kind's unit. */
  readonly value: number;
  /** Standard deviation, same unit. */
  readonly uncertainty: number;
  readonly from: 'as-fitted' | 'first-sound';
  readonly readings: number;
}

/** A reading this soon after fitting counts as "as fitted", days. */
const AS_FITTED_WITHIN = 14;
const FIRST_READINGS = 3;

const isSound = (value: number, limits: Limits): boolean =>
  !limits.known ||
  ((limits.lower === null || value >= limits.lower) && (limits.upper === null || value <= limits.upper));

/**
 * The baseline of one part's thread: its as-fitted reading when there is one, else the mean of its first (at most
 * three) readings within limits. After an event that moves the kind (`shifts`) it is taken anew, once there is a
 * reading since. `held` is the reading that is held against it, and no part of it. Compared readings in any order, limits at common conditions. Null when there is none.
 */
export function baselineOf(
  readings: readonly ComparedReading[],
  fittedOn: Day | null,
  limits: Limits,
  shifts: readonly Shift[] = [],
  held?: ComparedReading,
): Baseline | null {
  const inOrder = [...readings].sort((a, b) => a.reading.day - b.reading.day);
  const after = inOrder.filter((r) => shifts.every((shift) => isSince(r.reading, shift)));
  // No reading is held against itself.
  const counting = (after.length > 0 ? after : inOrder).filter((r) => r !== held);
  const fitted = counting.find(
    ({ reading: { day } }) => fittedOn !== null && day >= fittedOn && day - fittedOn <= AS_FITTED_WITHIN,
  );
  const chosen = fitted ? [fitted] : counting.filter((r) => isSound(r.value, limits)).slice(0, FIRST_READINGS);
  if (chosen.length === 0) return null;
  const value = chosen.reduce((sum, r) => sum + r.value, 0) / chosen.length;
  const uncertainty = Math.sqrt(chosen.reduce((sum, r) => sum + r.sd ** 2, 0)) / chosen.length;
  return { value, uncertainty, from: fitted ? 'as-fitted' : 'first-sound', readings: chosen.length };
}
