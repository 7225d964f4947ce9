import { dayOf, utcDayOf } from '@yarnix/core';
import { ProblemError } from './problems.ts';

const DAY_MS = 86_400_000;
/** Clocks and zones may differ by so much before a time is doubted, ms. */
const GRACE_MS = DAY_MS;
/** What is older is no record of work under way. Paper records further back are another matter. */
const LONGEST_BACK_YEARS = 5;

const refuse = (path: string, detail: string): never => {
  throw new ProblemError('invalid-request', detail, [{ path, detail }]);
};

const apart = (ms: number): string => {
  const days = Math.round(ms / DAY_MS);
  return days >= 2 ? `${days} days` : `${Math.round(ms / 3_600_000)} hours`;
};

const aheadBy = (moment: string, now: Date): number => Date.parse(moment) - now.getTime();

/** Whether a moment is ahead of the server's clock by more than clocks may differ. */
export const isAhead = (moment: string, now: Date): boolean => aheadBy(moment, now) > GRACE_MS;

/** Refuses a moment ahead of the server's clock by more than a day: the device's clock is off, and the person is told. */
export function checkNotAhead(path: string, moment: string, now: Date): void {
  if (!isAhead(moment, now)) return;
  const detail = `This device’s clock is ${apart(aheadBy(moment, now))} ahead. Set the clock, then send it again.`;
  throw new ProblemError('clock-off', detail, [{ path, detail }]);
}

/** Refuses a day that is ahead of today anywhere. */
export function checkDayNotAhead(path: string, day: string, now: Date): void {
  if (dayOf(day) > utcDayOf(now.toISOString()) + 1) refuse(path, `${day} is ahead of today.`);
}

/** Refuses a moment further back than any work under way. */
export function checkNotLongAgo(path: string, moment: string, now: Date): void {
  const earliest = new Date(now);
  earliest.setUTCFullYear(earliest.getUTCFullYear() - LONGEST_BACK_YEARS);
  if (Date.parse(moment) < earliest.getTime())
    refuse(path, `That is more than ${LONGEST_BACK_YEARS} years ago. Is the device’s clock right?`);
}

/** Refuses a moment more than a day before another, with what that one is. */
export function checkNotBefore(path: string, moment: string, earliest: string, what: string): void {
  if (Date.parse(moment) < Date.parse(earliest) - GRACE_MS) refuse(path, `That is before ${what}.`);
}

/** Refuses a day or a moment before the year a machine was made; nothing is refused when that is not known. */
export function checkNotBeforeYear(path: string, when: string, year: number | undefined): void {
  if (year !== undefined && Date.parse(when) < Date.UTC(year, 0, 1) - GRACE_MS)
    refuse(path, `That is before ${year}, the year on the plate.`);
}
