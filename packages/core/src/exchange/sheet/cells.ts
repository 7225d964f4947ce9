import type { DateOrder, Decimal } from '../../http/imports.ts';
import { dayOf, isoOf, utcDayOf, type Day } from '../../quantity/day.ts';

/** What a cell holds that should be a number. */
export type NumberCell =
  | { readonly outcome: 'number'; readonly value: number; readonly unit: string }
  | { readonly outcome: 'over-limit' }
  | { readonly outcome: 'empty' }
  | { readonly outcome: 'cannot-read'; readonly why: string };

const EMPTY = /^(|-+|–|n\/?a|none|null|not taken|\?)$/i;
const NUMBER_AND_UNIT = /^([+-]?[\d.,\s'’]*\d[.,]?)\s*([^\d\s].*)?$/;
const OVER_LIMIT = /^(ol|o\.l\.?|over ?limit|infinite|∞|open)$/i;

/** Digits in groups of three behind a separator, whatever it is. */
const grouped = (digits: string, separator: string): boolean =>
  digits.split(separator).every((group, at) => (at === 0 ? /^[+-]?\d{1,3}$/ : /^\d{3}$/).test(group));

/** Digits as JavaScript writes them, or why they cannot be told. */
function plainDigits(written: string, decimal: Decimal): string | { why: string } {
  const digits = written.replace(/[\s'’]/g, '');
  const other = decimal === '.' ? ',' : '.';
  const [whole = '', fraction, ...more] = digits.split(decimal);
  if (more.length > 0) {
    const groups = grouped(digits, decimal);
    return {
      why: groups ? `“${written}” has “${decimal}” between thousands` : `“${written}” has more than one “${decimal}”`,
    };
  }
  if (fraction?.includes(other)) return { why: `“${written}” mixes “,” and “.”` };
  if (whole.includes(other) && !grouped(whole, other))
    return { why: `“${written}” has “${other}” where this file has “${decimal}”` };
  return `${whole.replaceAll(other, '') || '0'}.${fraction ?? '0'}`;
}

/**
 * A number as a spreadsheet holds it, with its unit where the cell has one: "38,4 µF" with a decimal comma is 38.4 and
 * "µF", "1,234.5" with a point is 1234.5. Dashes, "n/a" and nothing are an empty cell.
 */
export function readNumber(text: string, decimal: Decimal): NumberCell {
  const trimmed = text.trim().replace(/^'/, '').replace('−', '-');
  if (EMPTY.test(trimmed)) return { outcome: 'empty' };
  if (OVER_LIMIT.test(trimmed)) return { outcome: 'over-limit' };
  const [, written, unit = ''] = NUMBER_AND_UNIT.exec(trimmed) ?? [];
  if (written === undefined) return { outcome: 'cannot-read', why: `“${trimmed.slice(0, 24)}” is no number` };
  const digits = plainDigits(written.trim(), decimal);
  if (typeof digits !== 'string') return { outcome: 'cannot-read', why: digits.why };
  const value = Number(digits);
  return Number.isFinite(value)
    ? { outcome: 'number', value, unit: unit.trim() }
    : { outcome: 'cannot-read', why: `“${trimmed.slice(0, 24)}” is no number` };
}

/** What a cell holds that should be a day, with the minute of that day where it says one; `utc` where it says that, too. */
export type DateCell =
  | { readonly outcome: 'day'; readonly day: Day; readonly minute: number | null; readonly utc?: true }
  | { readonly outcome: 'empty' }
  | { readonly outcome: 'cannot-read'; readonly why: string };

const ISO_MOMENT = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}(:\d{2}(\.\d+)?)?(Z|[+-]\d{2}:\d{2})$/;
const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
/** Two figures of a year: up to so many years ahead of the century's start count as this century's. */
const THIS_CENTURY = 69;
/** Spreadsheets count days from December 30, 1899; these are the days of 1960 and 2100. */
const SERIAL = { from: 21_916, to: 73_050 };
const SERIAL_START = dayOf('1899-12-30');

const cannot = (text: string, why = 'is no date'): DateCell => ({
  outcome: 'cannot-read',
  why: `“${text.slice(0, 24)}” ${why}`,
});

/** Hours and minutes, "14:05", "2:05 pm", "9:30:00"; null when it is no time. */
export function readTime(text: string): number | null {
  const [, hour = '', minute = '', half] =
    /^(\d{1,2}):(\d{2})(?::\d{2}(?:\.\d+)?)?\s*([ap])\.?m?\.?$/i.exec(text.trim()) ??
    /^(\d{1,2}):(\d{2})(?::\d{2}(?:\.\d+)?)?$/.exec(text.trim()) ??
    [];
  if (hour === '') return null;
  const hours = half === undefined ? Number(hour) : (Number(hour) % 12) + (half.toLowerCase() === 'p' ? 12 : 0);
  const isTime = hours < 24 && Number(minute) < 60 && (half === undefined || (Number(hour) >= 1 && Number(hour) <= 12));
  return isTime ? hours * 60 + Number(minute) : null;
}

const fullYear = (year: string): number =>
  year.length > 2 ? Number(year) : Number(year) + (Number(year) <= THIS_CENTURY ? 2000 : 1900);

/** The day of a year, month and day; NaN where there is none, as on February 30. */
function dayFrom(year: number, month: number, date: number): Day {
  const iso = `${String(year).padStart(4, '0')}-${String(month).padStart(2, '0')}-${String(date).padStart(2, '0')}`;
  const day = dayOf(iso);
  return Number.isNaN(day) || isoOf(day) !== iso ? NaN : day;
}

/** "April 3, 2024", "3 Apr 2024": year, month and date; undefined for anything else. */
function inWords(text: string): [number, number, number] | undefined {
  const [, a, b, c] =
    /^([a-z]{3,9})\.?\s+(\d{1,2}),?\s+(\d{4})$/i.exec(text) ??
    /^(\d{1,2})\.?[\s-]+([a-z]{3,9})\.?,?[\s-]+(\d{2}|\d{4})$/i.exec(text) ??
    [];
  if (a === undefined || b === undefined || c === undefined) return undefined;
  const [word, date] = /^\d/.test(a) ? [b, a] : [a, b];
  const month = MONTHS.indexOf(word.slice(0, 3).toLowerCase()) + 1;
  return month === 0 ? undefined : [fullYear(c), month, Number(date)];
}

const IN_FIGURES = /^(\d{1,4})[./-](\d{1,2})[./-](\d{1,4})$/;

function inFigures(text: string, order: DateOrder): [number, number, number] | undefined {
  const [, a = '', b = '', c = ''] = IN_FIGURES.exec(text) ?? [];
  if (a === '') return undefined;
  // Four figures are the year, wherever the file has it usually.
  if (a.length === 4) return [Number(a), Number(b), Number(c)];
  if (order === 'ymd' && c.length !== 4) return [fullYear(a), Number(b), Number(c)];
  return order === 'dmy' ? [fullYear(c), Number(b), Number(a)] : [fullYear(c), Number(a), Number(b)];
}

/**
 * A day as a spreadsheet holds it: in figures by the file's order, in words, as ISO 8601 with or without a time, or as the
 * count of days that spreadsheets keep. A time behind it is read too.
 */
export function readDate(text: string, order: DateOrder): DateCell {
  const trimmed = text.trim();
  if (EMPTY.test(trimmed)) return { outcome: 'empty' };
  if (ISO_MOMENT.test(trimmed)) {
    const ms = Date.parse(trimmed);
    if (Number.isNaN(ms)) return cannot(trimmed);
    const iso = new Date(ms).toISOString();
    return { outcome: 'day', day: utcDayOf(iso), minute: Math.floor((ms / 60_000) % 1440), utc: true };
  }
  if (/^\d{5}(\.\d+)?$/.test(trimmed)) {
    const serial = Number(trimmed);
    if (serial < SERIAL.from || serial > SERIAL.to) return cannot(trimmed);
    const minute = Math.round((serial % 1) * 1440);
    return {
      outcome: 'day',
      day: SERIAL_START + Math.floor(serial),
      minute: minute === 0 ? null : Math.min(1439, minute),
    };
  }
  // A time is the first word that has a colon, and what stands behind it.
  const at = /[T\s]\d{1,2}:/.exec(trimmed)?.index ?? trimmed.length;
  const dated = trimmed.slice(0, at).replace(/,$/, '');
  const timed = trimmed.slice(at + 1);
  const parts = inFigures(dated.trim(), order) ?? inWords(dated.trim());
  if (!parts) return cannot(trimmed);
  const day = dayFrom(...parts);
  if (Number.isNaN(day)) return cannot(trimmed, 'is no day of the calendar');
  const minute = timed === '' ? null : readTime(timed);
  return timed !== '' && minute === null
    ? cannot(trimmed, 'has no time that can be read')
    : { outcome: 'day', day, minute };
}

/** Which order dates of a file are in, by those that allow one only; American where all allow both. */
export function orderOfDates(texts: readonly string[]): DateOrder {
  const figures = texts.flatMap((text) => {
    const [, a = '', b = ''] = IN_FIGURES.exec(text.trim().split(/[\sT]/)[0] ?? '') ?? [];
    return a === '' ? [] : [[a, b] as const];
  });
  const count = (is: (a: string, b: string) => boolean): number => figures.filter(([a, b]) => is(a, b)).length;
  if (count((a) => a.length === 4) > figures.length / 2) return 'ymd';
  return count((a, b) => Number(a) > 12 && a.length < 4 && Number(b) <= 12) >
    count((a, b) => Number(a) <= 12 && Number(b) > 12)
    ? 'dmy'
    : 'mdy';
}

/** Which sign stands before the fraction in a file's numbers, by those that allow one only; a point where all allow both. */
export function decimalOf(texts: readonly string[]): Decimal {
  let [points, commas] = [0, 0];
  for (const text of texts) {
    const digits = text.trim().replace(/[^\d.,]/g, '');
    if (/^\d+,\d{1,2}$/.test(digits) || /^\d{1,3}(\.\d{3})+,\d+$/.test(digits) || /^\d+,\d{4,}$/.test(digits))
      commas += 1;
    if (/^\d+\.\d+$/.test(digits) || /^\d{1,3}(,\d{3})+(\.\d+)?$/.test(digits)) points += 1;
  }
  return commas > points ? ',' : '.';
}
