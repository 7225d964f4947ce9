import { dayOf, isoOf } from '@yarnix/core';

const MINUTE_MS = 60_000;
const HOUR = 60;

/** The day it is where this device is: an evening's is not tomorrow yet. */
export const localToday = (now = new Date()): string =>
  isoOf(dayOf(new Date(now.getTime() - now.getTimezoneOffset() * MINUTE_MS).toISOString()));

/** The minute of its day that a moment is where this device is. */
export const localMinuteOf = (moment: string): number => {
  const at = new Date(moment);
  return at.getHours() * HOUR + at.getMinutes();
};

/** The minute of a day it is where this device is; null on any other day. */
export const localMinute = (day: string, now = new Date()): number | null =>
  day === localToday(now) ? now.getHours() * HOUR + now.getMinutes() : null;
