import type { Limits, ReadingKind } from '../readings/kind.ts';
import type { Day } from '../quantity/day.ts';
import type { ThreadReading } from '../trend/thread-outlook.ts';

/** A part's own normal value. */
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
 * three) readings within limits. Readings in any order, in the kind's unit. Null when there is none.
 */
export function baselineOf(
  kind: ReadingKind,
  readings: readonly ThreadReading[],
  fittedOn: Day | null,
  limits: Limits,
): Baseline | null {
  const inOrder = [...readings].sort((a, b) => a.day - b.day);
  const fitted = inOrder.find((r) => fittedOn !== null && r.day >= fittedOn && r.day - fittedOn <= AS_FITTED_WITHIN);
  const chosen = fitted ? [fitted] : inOrder.filter((r) => isSound(r.value, limits)).slice(0, FIRST_READINGS);
  if (chosen.length === 0) return null;
  const value = chosen.reduce((sum, r) => sum + r.value, 0) / chosen.length;
  const error = (r: ThreadReading) => kind.methods.find((m) => m.id === r.method)?.error(r.value) ?? 0;
  const uncertainty = Math.sqrt(chosen.reduce((sum, r) => sum + error(r) ** 2, 0)) / chosen.length;
  return { value, uncertainty, from: fitted ? 'as-fitted' : 'first-sound', readings: chosen.length };
}
