/** A calendar day as a whole number of days since 1970-01-01. Threads are plotted and fitted in days. */
export type Day = number;

const MS_A_DAY = 86_400_000;

/** Days in a mean Gregorian year; turns a drift a day into a drift a year. */
export const DAYS_A_YEAR = 365.2425;

/**
 * The day of an ISO date ("2026-04-15"): dayOf('1970-01-11') is 10. Returns NaN when the text is not a date, as Date.parse does.
 * Throws RangeError for a moment, which has a day only where somebody is: see dayIn.
 */
export function dayOf(date: string): Day {
  if (/T\d/.test(date)) throw new RangeError(`${date} is a moment: its day is that of a time zone`);
  return Math.floor(Date.parse(`${date}T00:00:00Z`) / MS_A_DAY);
}

/** The UTC day of a moment (ISO 8601), for what is of no place. NaN for what is no moment. */
export const utcDayOf = (moment: string): Day => Math.floor(Date.parse(moment) / MS_A_DAY);

/** The ISO date of a day: isoOf(10) is "1970-01-11". Throws RangeError for a day that is not a finite number. */
export function isoOf(day: Day): string {
  return new Date(Math.round(day) * MS_A_DAY).toISOString().slice(0, 10);
}

/** The months in order, the first at 0. */
export const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
];

/** Month and year of a day in words: monthOf(dayOf('2027-04-15')) is "April 2027". */
export function monthOf(day: Day): string {
  const [year, month] = isoOf(day).split('-');
  return `${MONTHS[Number(month) - 1]} ${year}`;
}

/** A day in words, month first: dateOf(dayOf('2027-04-15')) is "April 15, 2027". */
export function dateOf(day: Day): string {
  const [year, month, date] = isoOf(day).split('-');
  return `${MONTHS[Number(month) - 1]} ${Number(date)}, ${year}`;
}
