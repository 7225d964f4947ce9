import { dayOf, isoOf, type Day } from '../quantity/day.ts';

/** When the seasons usually begin where a firm works, month and day: the first heat, and the first frost. */
export interface SeasonStarts {
  readonly heat: string;
  readonly frost: string;
}

/** Mid-May and mid-October, as in a temperate climate; common practice, no source. */
export const USUAL_SEASON_STARTS: SeasonStarts = { heat: '05-15', frost: '10-15' };

const DAYS_A_YEAR_AT_MOST = 366;

/** The first such month and day after a day. */
function nextOf(monthDay: string, after: Day): Day {
  const year = Number(isoOf(after).slice(0, 4));
  const this_ = dayOf(`${year}-${monthDay}`);
  return this_ > after ? this_ : dayOf(`${year + 1}-${monthDay}`);
}

/** The season a day lies in, and when the next one begins. */
export function seasonAt(day: Day, starts: SeasonStarts): { readonly now: 'cooling' | 'heating'; readonly next: Day } {
  const [heat, frost] = [nextOf(starts.heat, day), nextOf(starts.frost, day)];
  return heat < frost ? { now: 'heating', next: heat } : { now: 'cooling', next: frost };
}

/** The season a day lies in, and how far through it is, 0 to 1. */
export function seasonPart(
  day: Day,
  starts: SeasonStarts,
): { readonly season: 'cooling' | 'heating'; readonly part: number } {
  const { now, next } = seasonAt(day, starts);
  // The season before the one to come began at the other's last start.
  const began = nextOf(now === 'cooling' ? starts.heat : starts.frost, next - DAYS_A_YEAR_AT_MOST);
  return { season: now, part: (day - began) / (next - began) };
}
