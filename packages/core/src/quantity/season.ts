import { isoOf, type Day } from './day.ts';

/** The season of a round: what is checked in it, and what the half year before it asked for. */
export const SEASONS = ['spring', 'fall'] as const;
export type Season = (typeof SEASONS)[number];

/** The season of the round a day falls in: cooling is checked from February to July, heating from August on. */
export function seasonOf(day: Day): Season {
  const month = Number(isoOf(day).slice(5, 7));
  return month >= 2 && month <= 7 ? 'spring' : 'fall';
}
