import {
  bestOrder,
  dayOf,
  dayTimes,
  frameAfter,
  isoOf,
  timesFrom,
  type DayFrame,
  type DayStop,
  type DayTimes,
  type Here,
  type Job,
  type PlannedStop,
  type Week,
} from '@yarnix/core';
import { localMinuteOf } from '../../kit/local-day.ts';

/** An address on the board: planned, or proposed and not yet taken. */
export type Card = PlannedStop & { readonly isProposed: boolean };

export const cardId = ({ systemId, day, personId, isProposed }: Card): string =>
  `${isProposed ? 'proposed' : 'planned'} ${systemId} ${day ?? ''} ${personId ?? ''}`;

const asStop = ({ systemId, minutes, place, window }: PlannedStop): DayStop => ({
  id: systemId,
  minutes,
  place,
  window,
});

/** Somebody's day: its addresses in order, their times, and a better order where there is one. */
export interface Strand {
  readonly person: Week['people'][number];
  readonly cards: readonly Card[];
  readonly stops: readonly DayStop[];
  readonly times: DayTimes;
  /** What is still to come, and the day as it is left for it: without the address somebody is at. */
  readonly ahead: { readonly stops: readonly DayStop[]; readonly frame: DayFrame };
  readonly atMachines: number;
  /** The best order by system, what it saves, and whether it is late less; null where the day is as good as any known. */
  readonly better: { readonly systems: readonly string[]; readonly saves: number; readonly lateLess: number } | null;
}

/** So long at least whoever is somewhere will still be there, min. */
const LEAST_LEFT = 5;

/** The address somebody is at, with what is left to do there; null while nobody is anywhere. */
function hereOf(card: Card | undefined, now: number | null): Here | null {
  if (!card?.since || now === null) return null;
  const since = localMinuteOf(card.since);
  return { stop: asStop(card), since, leaves: Math.max(now + LEAST_LEFT, since + card.minutes) };
}

function strandOf(person: Week['people'][number], cards: readonly Card[], frame: DayFrame, now: number | null): Strand {
  const stops = cards.map(asStop);
  const here = hereOf(cards[0], now);
  const ahead = here ? { stops: stops.slice(1), frame: frameAfter(here, frame) } : { stops, frame };
  const times = here ? timesFrom(here, ahead.stops, frame) : dayTimes(stops, frame);
  const best = bestOrder(ahead.stops, ahead.frame);
  const [saves, lateLess] = [times.driving - best.times.driving, times.late - best.times.late];
  const systems = [...(here ? [here.stop.id] : []), ...best.stops.map(({ id }) => id)];
  return {
    person,
    cards,
    stops,
    ahead,
    times,
    atMachines: stops.reduce((sum, { minutes }) => sum + minutes, 0),
    better: lateLess > 0 || (lateLess === 0 && saves > 0) ? { systems, saves, lateLess } : null,
  };
}

/** After this minute whoever is out has had the break. */
const BREAK_UNTIL = 13 * 60;

/** A day from now on: what is still to do begins no earlier. `now` is the minute it is, null on any other day. */
export const frameFrom = (frame: DayFrame, now: number | null): DayFrame =>
  now === null || now <= frame.begins
    ? frame
    : { ...frame, begins: now, breakMinutes: now >= BREAK_UNTIL ? 0 : frame.breakMinutes };

/** Everybody's strand of a day, from now on where it is today. */
export const strandsOf = (week: Week, day: string, now: number | null): Strand[] =>
  week.people.map((person) =>
    strandOf(
      person,
      week.stops.filter((s) => s.day === day && s.personId === person.id).map((s) => ({ ...s, isProposed: false })),
      frameFrom(week.frame, now),
      now,
    ),
  );

/** What is planned without a day or a person: of this day, or of none. */
export const waitingOf = (week: Week, day: string): Card[] =>
  week.stops
    .filter((s) => s.day === null || (s.personId === null && s.day === day))
    .map((s) => ({ ...s, isProposed: false }));

/** What is proposed, one card an address, as it comes: the most pressing first. */
export function proposedCards(jobs: readonly Job[]): Card[] {
  const cards = new Map<string, Card>();
  for (const job of jobs) {
    const { systemId, address, area, customerName, systemKind } = job;
    const there = cards.get(systemId);
    cards.set(systemId, {
      since: null,
      ...{ systemId, address, area, customerName, systemKind },
      place: null,
      day: null,
      personId: null,
      window: null,
      isProposed: true,
      minutes: (there?.minutes ?? 0) + job.minutes,
      jobs: [...(there?.jobs ?? []), job],
    });
  }
  return [...cards.values()];
}

/** The Monday of a day's week. */
export const mondayOf = (day: string): string => isoOf(dayOf(day) - ((dayOf(day) + 3) % 7));

/** Minutes planned on a day, everybody's. */
export const minutesOn = (week: Week, day: string): number =>
  week.stops.filter((s) => s.day === day).reduce((sum, { minutes }) => sum + minutes, 0);

/** Where a card is: its day, its person, what comes after it there, and its promise. */
export function whereIs(week: Week, card: Card) {
  const { systemId, day, personId, window } = card;
  const own = week.stops.filter((s) => s.day === day && s.personId === personId);
  return { day, personId, before: own[own.findIndex((s) => s.systemId === systemId) + 1]?.systemId ?? null, window };
}

/** A week as it is once a card is moved: what is shown until the server has said so. */
export function withMove(
  week: Week,
  card: Card,
  to: { readonly day: string | null; readonly personId: string | null; readonly before: string | null },
): Week {
  const others = week.stops.filter((s) => cardId({ ...s, isProposed: false }) !== cardId(card));
  const at = others.findIndex((s) => s.systemId === to.before && s.day === to.day && s.personId === to.personId);
  const moved = { ...card, day: to.day, personId: to.personId, window: to.day === card.day ? card.window : null };
  return { ...week, stops: others.toSpliced(at === -1 ? others.length : at, 0, moved) };
}
