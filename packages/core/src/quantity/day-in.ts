import { dayOf, type Day } from './day.ts';

/** Formatters are dear to make, and there are few zones. */
const FORMATS = new Map<string, Intl.DateTimeFormat>();

function formatOf(zone: string): Intl.DateTimeFormat {
  const known = FORMATS.get(zone);
  if (known) return known;
  const parts = { year: 'numeric', month: '2-digit', day: '2-digit' } as const;
  const format = new Intl.DateTimeFormat('en-CA', { timeZone: zone, calendar: 'iso8601', ...parts });
  FORMATS.set(zone, format);
  return format;
}

/**
 * The day of an ISO date, or the day it is in a time zone ("America/Denver") at a moment (ISO, UTC): an evening is not tomorrow
 * yet. NaN for what is neither; throws RangeError for a zone there is not.
 */
export function dayIn(zone: string, iso: string): Day {
  if (iso.length === 10) return dayOf(iso);
  const ms = Date.parse(iso);
  if (Number.isNaN(ms)) return NaN;
  const of = Object.fromEntries(
    formatOf(zone)
      .formatToParts(ms)
      .map(({ type, value }) => [type, value]),
  );
  return dayOf(`${of.year}-${of.month}-${of.day}`);
}
