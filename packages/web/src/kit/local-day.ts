import { dayIn, isoOf, type Day } from '@yarnix/core';

const HOUR = 60;

const KEPT = 'yarnix-zone';

/** That of the firm as it was last told on this device; before that, the device's own. */
function zoneToBegin(): string {
  try {
    return localStorage.getItem(KEPT) ?? Intl.DateTimeFormat().resolvedOptions().timeZone;
  } catch {
    return Intl.DateTimeFormat().resolvedOptions().timeZone;
  }
}
let known: string | undefined;
/** Asked for when a day is first wanted: a device's own zone takes a phone a while to tell. */
const zone = (): string => (known ??= zoneToBegin());

/** The time zone that the firm's days are of. */
export const zoneHere = (): string => zone();

/** Told once the firm is known: its days are those of its own zone, wherever a device is. */
export function keepZone(ofFirm: string): void {
  known = ofFirm;
  try {
    localStorage.setItem(KEPT, ofFirm);
  } catch {
    // Without room for it the next page begins with the device's.
  }
}

/** The day of a date, or of a moment (UTC) where the firm is: an evening's is not tomorrow yet. */
export const dayHere = (iso: string): Day => dayIn(zone(), iso);

/** The day it is where the firm is. */
export const today = (now = new Date()): Day => dayHere(now.toISOString());

/** The same as ISO 8601. */
export const localToday = (now = new Date()): string => isoOf(today(now));

/** The minute of its day that a moment is where the firm is. */
export function localMinuteOf(moment: string): number {
  const parts = new Intl.DateTimeFormat('en-US', {
    timeZone: zone(),
    hour: 'numeric',
    minute: 'numeric',
    hourCycle: 'h23',
  }).formatToParts(new Date(moment));
  const of = (type: string) => Number(parts.find((p) => p.type === type)?.value ?? 0);
  return of('hour') * HOUR + of('minute');
}

/** The minute of a day it is where the firm is; null on any other day. */
export const localMinute = (day: string, now = new Date()): number | null =>
  day === localToday(now) ? localMinuteOf(now.toISOString()) : null;
