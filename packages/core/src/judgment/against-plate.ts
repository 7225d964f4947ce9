import type { Unit } from '../quantity/unit.ts';
import type { Limits } from '../verdict/limits.ts';
import type { Judgment } from '../verdict/judgment.ts';
import type { Because, Position } from '../verdict/reasons.ts';
import type { Standing } from '../verdict/standing.ts';
import type { BelievedReading } from './read-with.ts';

const STANDING_AT: Readonly<Record<Position, Standing>> = {
  within: 'sound',
  nearing: 'watch',
  past: 'act',
  open: 'unproven',
};

type Known = Extract<Limits, { known: true }>;

// A hair keeps a value that is exactly on its limit on the good side, whatever its last binary digit says.
const isBelow = (value: number, limit: number): boolean => value < limit - 1e-9 * Math.max(1, Math.abs(limit));
const isAbove = (value: number, limit: number): boolean => isBelow(-value, -limit);

function placeOf(value: number, limits: Known): { side: 'lower' | 'upper'; position: Position; limit: number } {
  const { lower, upper, watchLower, watchUpper, open = [] } = limits;
  if (upper !== null && open.some(([above, upTo]) => isAbove(value, above) && !isAbove(value, upTo)))
    return { side: 'upper', position: 'open', limit: upper };
  if (lower !== null && isBelow(value, lower)) return { side: 'lower', position: 'past', limit: lower };
  if (upper !== null && isAbove(value, upper)) return { side: 'upper', position: 'past', limit: upper };
  if (lower !== null && watchLower !== null && isBelow(value, watchLower)) {
    return { side: 'lower', position: 'nearing', limit: lower };
  }
  if (upper !== null && watchUpper !== null && isAbove(value, watchUpper)) {
    return { side: 'upper', position: 'nearing', limit: upper };
  }
  const side = lower !== null && (upper === null || value <= limits.nominal) ? 'lower' : 'upper';
  return { side, position: 'within', limit: (side === 'lower' ? lower : upper) ?? limits.nominal };
}

function reasonFor(
  value: number,
  limits: Known,
  place: ReturnType<typeof placeOf>,
  unit: Unit,
  meter?: MeterTold,
): Because {
  const numbers = { value, nominal: limits.nominal, ...place, ...(meter ? { meter: { ...meter, unit } } : {}) };
  if (limits.family === 'rating') return { code: 'against-rating', numbers };
  if (limits.family === 'window') {
    const other = place.side === 'lower' ? limits.upper : limits.lower;
    return { code: 'against-window', numbers: { ...numbers, other, unit, rule: limits.rule ?? 'control-volts' } };
  }
  if (limits.family === 'nominal-volts') return { code: 'against-nominal-volts', numbers };
  return {
    code: 'against-rated-load',
    numbers: { ...numbers, figure: limits.figure ?? 'RLA', derived: limits.derived ?? false },
  };
}

/** What is told of a meter that is known to be off. */
type MeterTold = NonNullable<BelievedReading['meter']>;

/**
 * Judges a value against the limits from plate and policy, all in the reading's unit; 'unproven' when there are none. With
 * `meter` the value is what is believed of a reading whose meter is known to be off, and the reason says both. `error` is the
 * standard deviation of the reading: within it of a limit nothing is past it.
 */
export function judgeAgainstPlate(
  value: number,
  limits: Limits,
  unit: Unit,
  { meter, error = 0 }: { meter?: MeterTold | undefined; error?: number } = {},
): Judgment {
  if (!limits.known) return { basis: 'plate', standing: 'unproven', limit: null, because: limits.because };
  const found = placeOf(value, limits);
  // What is past its limit by less than the meter errs may not be past it at all.
  const isUnsure = found.position === 'past' && Math.abs(value - found.limit) <= error;
  const place = isUnsure ? { ...found, position: 'nearing' as const } : found;
  return {
    basis: 'plate',
    standing: STANDING_AT[place.position],
    limit: place.limit,
    because: reasonFor(value, limits, place, unit, meter),
  };
}
