import { dayOf, utcDayOf, type Day } from './day.ts';

/** Formatters are dear to make, and there are few zones. */
const FORMATS = new Map<string, Intl.DateTimeFormat>();

function formatOf(zone: string): Intl.DateTimeFormat {
  const known = FORMATS.get(zone);
  if (known) return known;
  const day = { year: 'numeric', month: '2-digit', day: '2-digit' } as const;
  const time = { hour: '2-digit', minute: '2-digit', second: '2-digit', hourCycle: 'h23' } as const;
  const format = new Intl.DateTimeFormat('en-CA', { timeZone: zone, calendar: 'iso8601', ...day, ...time });
  FORMATS.set(zone, format);
  return format;
}

const MS_A_DAY = 86_400_000;

/** What the clocks of a zone show at a moment, less UTC, ms. */
function offsetAt(zone: string, ms: number): number {
  const of = Object.fromEntries(
    formatOf(zone)
      .formatToParts(ms)
      .map(({ type, value }) => [type, Number(value)]),
  ) as Record<'year' | 'month' | 'day' | 'hour' | 'minute' | 'second', number>;
  return Date.UTC(of.year, of.month - 1, of.day, of.hour, of.minute, of.second) - Math.floor(ms / 1000) * 1000;
}

/** By zone and UTC day: the offset that holds all of that day; null on one on which clocks are moved. */
const OFFSETS = new Map<string, Map<number, number | null>>();

/** Asking a formatter for every reading of a fleet would take longer than judging it: a day has one offset, as a rule. */
function offsetOn(zone: string, utcDay: number): number | null {
  const days = OFFSETS.get(zone) ?? new Map<number, number | null>();
  OFFSETS.set(zone, days);
  const known = days.get(utcDay);
  if (known !== undefined) return known;
  const [first, last] = [offsetAt(zone, utcDay * MS_A_DAY), offsetAt(zone, (utcDay + 1) * MS_A_DAY - 1)];
  const offset = first === last ? first : null;
  days.set(utcDay, offset);
  return offset;
}

/**
 * The day of an ISO date, or the day it is in a time zone ("America/Denver") at a moment (ISO, UTC): an evening is not tomorrow
 * yet. NaN for what is neither; throws RangeError for a zone there is not.
 */
export function dayIn(zone: string, iso: string): Day {
  if (iso.length === 10) return dayOf(iso);
  const ms = Date.parse(iso);
  if (Number.isNaN(ms)) return NaN;
  const offset = offsetOn(zone, Math.floor(ms / MS_A_DAY)) ?? offsetAt(zone, ms);
  return Math.floor((ms + offset) / MS_A_DAY);
}

/** The same for whoever may not know the zone: UTC then. */
export const dayAt = (zone: string | undefined, iso: string): Day =>
  zone === undefined ? utcDayOf(iso) : dayIn(zone, iso);
