import { TZDate } from '@date-fns/tz';
import { isoOf, type Day } from '@yarnix/core';

/**
 * The moment of a minute of a day in a time zone, UTC in ISO 8601; of an hour that a clock jumps over, the one after it.
 * Whoever asks asks for the same few days again and again: each is worked out once.
 */
export function momentIn(zone: string): (day: Day, minute: number) => string {
  const known = new Map<number, string>();
  return (day, minute) => {
    const key = day * 1440 + minute;
    const before = known.get(key);
    if (before !== undefined) return before;
    const [year = 0, month = 0, date = 0] = isoOf(day).split('-').map(Number);
    const at = new TZDate(year, month - 1, date, Math.floor(minute / 60), minute % 60, zone).getTime();
    const moment = new Date(at).toISOString();
    known.set(key, moment);
    return moment;
  };
}
