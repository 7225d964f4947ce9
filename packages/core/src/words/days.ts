import type { DayFrame, DayTimes, Pushed, Window } from '../planning/day-order.ts';
import { capital } from './letters.ts';

const HOUR = 60;
const NOON = 12 * HOUR;
const DAY = 24 * HOUR;

/** A minute of the day as a clock tells it: "8:05 am", "12:30 pm"; past midnight it begins anew. */
export function clockWords(minute: number): string {
  const at = ((Math.round(minute) % DAY) + DAY) % DAY;
  const hour = Math.floor(at / HOUR) % 12 || 12;
  return `${hour}:${String(at % HOUR).padStart(2, '0')} ${at < NOON ? 'am' : 'pm'}`;
}

/** How long something takes: "45 min", "2 h", "5 h 20 min". */
export function spanWords(minutes: number): string {
  const whole = Math.round(minutes);
  if (whole < HOUR) return `${whole} min`;
  return `${Math.floor(whole / HOUR)} h${whole % HOUR ? ` ${whole % HOUR} min` : ''}`;
}

/** What was promised: "9:00 to 11:00 am". */
export function promiseWords({ from, to }: Window): string {
  const [a, b] = [clockWords(from), clockWords(to)];
  return a.slice(-2) === b.slice(-2) ? `${a.slice(0, -3)} to ${b}` : `${a} to ${b}`;
}

/** Somebody's day in a line: the work, the driving, when it ends, and what is wrong with it. */
export function dayWords(
  atMachines: number,
  { stops, driving, back, late }: DayTimes,
  { ends, start }: DayFrame,
): string {
  if (stops.length === 0) return 'Nothing planned';
  const end = `${start ? 'back' : 'done'} at ${clockWords(back)}`;
  const past = back > ends ? `, ${spanWords(back - ends)} past the end of the day` : '';
  const missed = late > 0 ? `, ${spanWords(late)} late in all` : '';
  return `${capital(spanWords(atMachines))} at machines, ${spanWords(driving)} driving, ${end}${past}${missed}`;
}

/** What one more address does to somebody's day: "Pushes 3 addresses by up to 50 min; 12 min late; back 40 min past the end". */
export function pushedWords({ later, late, past }: Pushed): string {
  const most = Math.max(0, ...later.map(({ by }) => by));
  const pushes =
    later.length === 0
      ? 'Pushes nothing'
      : `Pushes ${later.length === 1 ? '1 address' : `${later.length} addresses`} by up to ${spanWords(most)}`;
  const missed = late > 0 ? `; ${spanWords(late)} later than promised` : '';
  return `${pushes}${missed}${past > 0 ? `; ${spanWords(past)} past the end of the day` : ''}`;
}
