const HOUR = 60;

/** A minute of the day as a field for times holds it: "08:05". */
export const asTime = (minute: number): string =>
  `${String(Math.floor(minute / HOUR)).padStart(2, '0')}:${String(minute % HOUR).padStart(2, '0')}`;

/** The minute of the day that such a field holds; null while it holds none. */
export function asMinute(time: string): number | null {
  const found = /^(\d{2}):(\d{2})/.exec(time);
  return found ? Number(found[1]) * HOUR + Number(found[2]) : null;
}
