import type { Job, PlannedStop, Week } from '@yarnix/core';
import { cardId, frameFrom, mondayOf, proposedCards, strandsOf, waitingOf, withMove, type Card } from './board.ts';

const stop = (systemId: string, north: number, over: Partial<PlannedStop> = {}): PlannedStop =>
  ({
    systemId,
    address: `at ${systemId}`,
    place: { lat: 40 + north / 100, lng: -45 },
    day: '2026-11-25',
    personId: 'ada',
    minutes: 30,
    window: null,
    since: null,
    jobs: [],
    ...over,
  }) as unknown as PlannedStop;
const week = (stops: readonly PlannedStop[]): Week => ({
  days: ['2026-11-25', '2026-11-26'],
  people: [
    { id: 'ada', name: 'Ada' },
    { id: 'bo', name: 'Bo' },
  ],
  frame: { begins: 480, ends: 1020, breakMinutes: 30, start: { lat: 40, lng: -45 } },
  stops: [...stops],
});
const card = (s: PlannedStop): Card => ({ ...s, isProposed: false });
const names = (w: Week, personId = 'ada', day = '2026-11-25') =>
  w.stops.filter((s) => s.personId === personId && s.day === day).map(({ systemId }) => systemId);

test('a day that zigzags has a better order, and one that does not has none', () => {
  const [far, near, farther] = [stop('far', 20), stop('near', 2), stop('farther', 30)];
  const [ada, bo] = strandsOf(week([far, near, farther]), '2026-11-25', null);
  expect(ada?.better?.saves).toBeGreaterThan(0);
  expect([...(ada?.better?.systems ?? [])].sort()).toEqual(['far', 'farther', 'near']);
  expect(bo).toMatchObject({ cards: [], better: null, atMachines: 0 });
  expect(strandsOf(week([near]), '2026-11-25', null)[0]?.better).toBeNull();
});

test('a card goes before another, to another day or person, and to nobody', () => {
  const [a, b, c] = [stop('a', 1), stop('b', 2), stop('c', 3, { window: { from: 480, to: 600 } })];
  const all = week([a, b, c]);
  expect(names(withMove(all, card(c), { day: '2026-11-25', personId: 'ada', before: 'a' }))).toEqual(['c', 'a', 'b']);
  const away = withMove(all, card(c), { day: '2026-11-26', personId: 'bo', before: null });
  expect(names(away)).toEqual(['a', 'b']);
  expect(away.stops.find((s) => s.day === '2026-11-26')).toMatchObject({ systemId: 'c', window: null });
  expect(waitingOf(withMove(all, card(b), { day: null, personId: null, before: null }), '2026-11-25')).toHaveLength(1);
});

test('what is proposed at an address is one card with all of its minutes', () => {
  const job = (key: string, systemId: string) => ({ key, systemId, minutes: 20 }) as Job;
  const cards = proposedCards([job('1', 'x'), job('2', 'y'), job('3', 'x')]);
  expect(cards.map(({ systemId, minutes, jobs }) => [systemId, minutes, jobs.length])).toEqual([
    ['x', 40, 2],
    ['y', 20, 1],
  ]);
  expect(new Set(cards.map(cardId)).size).toBe(2);
});

test('where somebody is stays first, is there until it is done, and what is to come follows from there', () => {
  const since = new Date(2026, 10, 25, 9, 30).toISOString();
  const [near, here, far] = [stop('near', 2), stop('here', 30, { since, minutes: 60 }), stop('far', 31)];
  const [ada] = strandsOf(week([here, near, far]), '2026-11-25', 10 * 60);
  expect(ada?.times.stops[0]).toMatchObject({ id: 'here', way: 0, begins: 570, leaves: 630 });
  expect(ada?.ahead.stops.map(({ id }) => id)).toEqual(['near', 'far']);
  expect(ada?.ahead.frame).toMatchObject({ begins: 630 });
  // The better order leaves it where it is.
  expect(ada?.better?.systems).toEqual(['here', 'far', 'near']);
  // Longer than planned: it is not left before now.
  expect(strandsOf(week([here, near]), '2026-11-25', 11 * 60)[0]?.times.stops[0]?.leaves).toBe(665);
  // On another day, or seen from another, nobody is anywhere.
  expect(strandsOf(week([here, near]), '2026-11-25', null)[0]?.times.stops[0]?.way).toBeGreaterThan(0);
});

test('weeks begin on Mondays', () => {
  expect(['2026-11-22', '2026-11-23', '2026-11-25', '2026-11-29', '2026-11-30'].map(mondayOf)).toEqual([
    '2026-11-16',
    '2026-11-23',
    '2026-11-23',
    '2026-11-23',
    '2026-11-30',
  ]);
});

test('at noon what is left of a day begins at noon, and after one there is no break to come', () => {
  const { frame } = week([]);
  expect(frameFrom(frame, null)).toEqual(frame);
  expect(frameFrom(frame, 450)).toEqual(frame);
  expect(frameFrom(frame, 720)).toEqual({ ...frame, begins: 720 });
  expect(frameFrom(frame, 900)).toEqual({ ...frame, begins: 900, breakMinutes: 0 });
  const [ada] = strandsOf(week([stop('a', 1)]), '2026-11-25', 720);
  expect(ada?.times.stops[0]?.begins).toBeGreaterThan(720);
});
