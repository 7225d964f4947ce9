import type { Reading } from '../circuit/measure.ts';
import type { Observation } from './chances.ts';

/** Whether two readings of one test say the same: the same word, OL both times, or figures within a tenth of each other. */
export function saysTheSame(a: Reading, b: Reading): boolean {
  if (typeof a === 'string' || typeof b === 'string' || !Number.isFinite(a) || !Number.isFinite(b))
    return Object.is(a, b);
  return Math.abs(a - b) <= Math.max(0.5, 0.1 * Math.max(Math.abs(a), Math.abs(b)));
}

/**
 * Observations with one more: read again, a test counts twice where it says the same, and as it reads now where it does not.
 */
export function withObservation<O extends Observation>(before: readonly O[], next: O): O[] {
  const differs = ({ test, reading }: O) => test === next.test && !saysTheSame(reading, next.reading);
  const kept = before.some(differs) ? before.filter(({ test }) => test !== next.test) : before;
  return [...kept, next];
}
