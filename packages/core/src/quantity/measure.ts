import { CEILING, FINEST, FLOOR, type Unit } from './unit.ts';

/** Why a typed value cannot be a measurement. */
export type MeasureRefusal =
  | { code: 'empty'; numbers: Record<string, never> }
  | { code: 'not-a-number'; numbers: { text: string } }
  | { code: 'negative'; numbers: { value: number; unit: Unit } }
  | { code: 'beyond-any-meter'; numbers: { value: number; unit: Unit; limit: number } }
  | { code: 'finer-than-any-meter'; numbers: { value: number; unit: Unit } }
  | { code: 'no-over-limit-here'; numbers: Record<string, never> }
  | { code: 'no-jumps-here'; numbers: Record<string, never> };

export type Measure =
  | { outcome: 'number'; value: number }
  | { outcome: 'over-limit' }
  /** The figure on the meter does not stand still. */
  | { outcome: 'jumps' }
  | { outcome: 'refused'; because: MeasureRefusal };

const NUMBER = /^[+-]?(\d+([.,]\d*)?|[.,]\d+)$/;
/** What meters show beside ohms: kilohms and megohms. */
const TIMES: Readonly<Record<string, number>> = { k: 1e3, K: 1e3, M: 1e6 };
/** "OL" as it is typed: with a zero, or as more than the range of the meter. */
const OVER_LIMIT = /^(ol|0l|>.*)$/i;

/** Text as a number is typed on any keyboard: a minus that is a dash, and no unit behind. */
const plain = (text: string, unit: Unit): string => {
  const typed = text.trim().replace(/^[\u2212\u2013]/, '-');
  return unit === 'Ω' ? typed.replace(/(?:Ω|ohms?)$/i, '').trimEnd() : typed;
};

/** Ω from what a meter shows with k or M behind; null where there is none. */
function withMultiple(text: string, unit: Unit): number | null {
  const times = unit === 'Ω' ? TIMES[text.at(-1) ?? ''] : undefined;
  const figure = text.slice(0, -1).trim();
  return times !== undefined && NUMBER.test(figure) ? Number(figure.replace(',', '.')) * times : null;
}

const refused = (because: MeasureRefusal): Measure => ({ outcome: 'refused', because });

/**
 * Checks a number that was worked out against what its unit can hold at all (see CEILING and FLOOR): confirming does not
 * help a value that nothing on a house can have. Returns undefined when it may be kept, else the reason.
 */
export function refuseWorkedOut(value: number, unit: Unit): MeasureRefusal | undefined {
  if (!Number.isFinite(value)) return { code: 'not-a-number', numbers: { text: String(value) } };
  if (value < FLOOR[unit]) return { code: 'negative', numbers: { value, unit } };
  if (value > CEILING[unit]) return { code: 'beyond-any-meter', numbers: { value, unit, limit: CEILING[unit] } };
  return undefined;
}

/**
 * Checks a number that was read off a meter: as refuseWorkedOut, and no finer than any meter shows (see FINEST).
 * Returns undefined when it may be kept, else the reason.
 */
export function refuseNumber(value: number, unit: Unit): MeasureRefusal | undefined {
  if (value !== 0 && Math.abs(value) < FINEST) return { code: 'finer-than-any-meter', numbers: { value, unit } };
  return refuseWorkedOut(value, unit);
}

/**
 * Reads what a technician typed into a field of the given unit.
 * A decimal comma counts as a point, a dash as a minus, and of ohms k and M as thousands and millions; "OL" (over limit, as meters show an open circuit) is its own outcome,
 * and so is "jumps", where a field takes it.
 * Returns 'refused' with the reason for empty text, words, NaN, exponents, negatives and impossible sizes.
 * parseMeasure('38,4', 'µF') is { outcome: 'number', value: 38.4 }.
 */
export function parseMeasure(text: string, unit: Unit, allowOverLimit = false, allowJumps = false): Measure {
  const trimmed = plain(text, unit);
  if (trimmed === '') return refused({ code: 'empty', numbers: {} });
  if (OVER_LIMIT.test(trimmed)) {
    return allowOverLimit ? { outcome: 'over-limit' } : refused({ code: 'no-over-limit-here', numbers: {} });
  }
  if (/^jumps$/i.test(trimmed)) {
    return allowJumps ? { outcome: 'jumps' } : refused({ code: 'no-jumps-here', numbers: {} });
  }
  const multiple = withMultiple(trimmed, unit);
  if (multiple === null && !NUMBER.test(trimmed))
    return refused({ code: 'not-a-number', numbers: { text: trimmed.slice(0, 24) } });
  const value = multiple ?? Number(trimmed.replace(',', '.'));
  const because = refuseNumber(value, unit);
  return because ? refused(because) : { outcome: 'number', value };
}
