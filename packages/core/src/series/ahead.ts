import { DAYS_A_YEAR, type Day } from '../quantity/day.ts';

/** The chance of being past a limit at AHEAD_YEARS after a day, 0 to 1 each. */
export interface Ahead {
  readonly from: Day;
  readonly chances: readonly number[];
}

/** Years after the last reading at which the chance of being past the limit is worked out. */
export const AHEAD_YEARS = [0, 0.25, 0.5, 1, 2] as const;

/** The chance on a day, 0 to 1: along straight lines between the times it was worked out for, and level beyond them. */
export function chanceOn({ from, chances }: Ahead, day: Day): number {
  const years = (day - from) / DAYS_A_YEAR;
  const next = AHEAD_YEARS.findIndex((at) => at >= years);
  if (next <= 0) return chances[next === 0 ? 0 : chances.length - 1] ?? 0;
  const [before, after] = [AHEAD_YEARS[next - 1]!, AHEAD_YEARS[next]!];
  const [low, high] = [chances[next - 1] ?? 0, chances[next] ?? 0];
  return low + ((high - low) * (years - before)) / (after - before);
}

/** The chance that any of several is past its limit, from the latest of their readings on; null of none. */
export function anyAhead(all: readonly Ahead[]): Ahead | null {
  if (all.length === 0) return null;
  const from = Math.max(...all.map((a) => a.from));
  const chances = AHEAD_YEARS.map(
    (years) => 1 - all.reduce((none, a) => none * (1 - chanceOn(a, from + years * DAYS_A_YEAR)), 1),
  );
  return { from, chances };
}
