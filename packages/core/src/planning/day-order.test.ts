import { bestOrder, dayTimes, fitIn, frameAfter, timesFrom, type DayFrame, type DayStop } from './day-order.ts';
import { wayMinutes } from './way.ts';

const FRAME: DayFrame = { begins: 480, ends: 1020, breakMinutes: 30, start: { lat: 40, lng: -45 } };
const stop = (id: string, north: number, over: Partial<DayStop> = {}): DayStop => ({
  id,
  minutes: 60,
  place: { lat: 40 + north / 100, lng: -45 },
  window: null,
  ...over,
});
const ids = (stops: readonly { id: string }[]) => stops.map(({ id }) => id).join('');

/** The least driving of all orders, tried one by one without any of the tricks. */
function byHand(stops: readonly DayStop[], frame: DayFrame): { late: number; driving: number } {
  const orders = (left: readonly DayStop[]): (readonly DayStop[])[] =>
    left.length === 0 ? [[]] : left.flatMap((s) => orders(left.filter((o) => o !== s)).map((rest) => [s, ...rest]));
  return orders(stops)
    .map((order) => dayTimes(order, frame))
    .reduce((a, b) => (b.late < a.late || (b.late === a.late && b.driving < a.driving) ? b : a));
}

/** Numbers from a seed: Park and Miller's generator. */
function numbers(seed: number): () => number {
  let n = seed;
  return () => (n = (n * 48_271) % 2_147_483_647) / 2_147_483_647;
}

test('a day by the clock: the way, the work, the break once it is time, a promise that is waited for', () => {
  const stops = [stop('a', 10), stop('b', 10, { minutes: 120 }), stop('c', 20, { window: { from: 840, to: 900 } })];
  const way = wayMinutes(FRAME.start, stops[0]!.place);
  const { stops: timed, driving, back, late } = dayTimes(stops, FRAME);
  expect(timed.map(({ begins }) => begins)).toEqual([480 + way, 480 + way + 60, 840]);
  expect(timed.map(({ afterBreak }) => afterBreak)).toEqual([false, false, 480 + way + 180 >= 690]);
  expect(timed[2]?.arrives).toBeLessThan(840);
  const home = wayMinutes(stops[2]!.place, FRAME.start);
  expect([driving, late]).toEqual([way + wayMinutes(stops[1]!.place, stops[2]!.place) + home, 0]);
  expect(back).toBe(840 + 60 + home);
});

test('what comes after its promise is late by so much, and no earlier address is', () => {
  const { stops, late } = dayTimes(
    [stop('a', 0, { minutes: 300 }), stop('b', 0, { window: { from: 480, to: 600 } })],
    FRAME,
  );
  expect(stops.map((s) => s.late)).toEqual([0, 480 + 300 + 30 - 600]);
  expect(late).toBe(210);
});

test('without a place to set out from the day begins and ends at its addresses', () => {
  const { driving, stops } = dayTimes([stop('a', 0), stop('b', 10)], { ...FRAME, start: null });
  expect(stops[0]?.way).toBe(0);
  expect(driving).toBe(wayMinutes(stop('a', 0).place, stop('b', 10).place));
  expect(dayTimes([], FRAME)).toEqual({ stops: [], driving: 0, back: 480, late: 0 });
});

test('along a road one goes out and comes back, and a promise comes before a short way', () => {
  const road = [stop('a', 10), stop('b', 20), stop('c', 30)];
  const { times } = bestOrder([road[1]!, road[2]!, road[0]!], FRAME);
  expect(times.driving).toBeLessThanOrEqual(dayTimes(road, FRAME).driving);
  expect(times.driving).toBeLessThan(dayTimes([road[1]!, road[2]!, road[0]!].reverse(), FRAME).driving + 1);
  const promised = [stop('a', 10), stop('b', 20), stop('c', 30, { window: { from: 480, to: 510 } })];
  expect(ids(bestOrder(promised, FRAME).stops)[0]).toBe('c');
});

test('up to eight addresses no order is better: held against every order there is', () => {
  const next = numbers(7);
  for (let day = 0; day < 40; day += 1) {
    const some = Array.from({ length: 2 + (day % 5) }, (_, i): DayStop => {
      const from = 480 + Math.floor(next() * 300);
      return {
        id: String.fromCharCode(97 + i),
        minutes: 15 + Math.floor(next() * 90),
        place: next() < 0.1 ? null : { lat: 40 + next() / 4, lng: -45 + next() / 4 },
        window: next() < 0.3 ? { from, to: from + 120 } : null,
      };
    });
    const { times, bound } = bestOrder(some, FRAME);
    const best = byHand(some, FRAME);
    expect([times.late, times.driving]).toEqual([best.late, best.driving]);
    expect(bound).toBe(times.driving);
  }
});

test('of more addresses it is close to the bound, each is gone to once, and the bound is none too high', () => {
  const next = numbers(11);
  for (let day = 0; day < 5; day += 1) {
    const many = Array.from({ length: 16 }, (_, i) => stop(String.fromCharCode(97 + i), next() * 20, { minutes: 20 }));
    const { stops, times, bound } = bestOrder(many, { ...FRAME, breakMinutes: 0 });
    expect([...ids(stops)].sort().join('')).toBe('abcdefghijklmnop');
    // On one road the shortest is out and back, whatever the order on the way.
    const far = Math.max(...many.map(({ place }) => wayMinutes(FRAME.start, place)));
    expect(times.driving).toBeGreaterThanOrEqual(bound);
    expect(times.driving).toBeGreaterThan(far);
    expect(times.driving).toBeLessThanOrEqual(dayTimes(many, { ...FRAME, breakMinutes: 0 }).driving);
  }
});

test('a call in the middle of the day says what it pushes, by how much, and what becomes late', () => {
  const day = [stop('a', 10), stop('b', 20, { window: { from: 540, to: 630 } }), stop('c', 30)];
  const call = stop('x', 10, { minutes: 45 });
  const soonest = fitIn(day, call, FRAME, { from: 1, soonest: true });
  expect(soonest.at).toBe(1);
  expect(soonest.later.map(({ id }) => id)).toEqual(['b', 'c']);
  expect(soonest.later[0]?.by).toBeGreaterThanOrEqual(45);
  const best = fitIn(day, call, FRAME, { from: 1 });
  expect(best.times.late).toBeLessThanOrEqual(soonest.times.late);
  expect(best.at).toBeGreaterThanOrEqual(1);
  const full = fitIn([stop('a', 0, { minutes: 540 })], call, FRAME);
  expect(full.past).toBeGreaterThanOrEqual(45);
});

test('where somebody is has its times already, and the rest follows from there', () => {
  const [here, next] = [stop('here', 30), stop('next', 31)];
  const at = { stop: here, since: 600, leaves: 690 };
  const { stops, driving, back, late } = timesFrom(at, [next], FRAME);
  const way = wayMinutes(here.place, next.place);
  expect(stops.map(({ id, way: w, begins }) => [id, w, begins])).toEqual([
    ['here', 0, 600],
    ['next', way, 690 + FRAME.breakMinutes + way],
  ]);
  expect(driving).toBe(way + wayMinutes(next.place, FRAME.start));
  expect(late).toBe(0);
  expect(back).toBe(690 + 30 + way + 60 + wayMinutes(next.place, FRAME.start));
  // Nothing is left to come: one is still here until it is done.
  expect(timesFrom(at, [], FRAME)).toMatchObject({ driving: 0, back: 690, stops: [{ id: 'here' }] });
  // A call goes behind where one is, however near it is to the yard.
  const pushed = fitIn([next], stop('call', 1), frameAfter(at, FRAME), { soonest: true });
  expect(pushed.times.stops.map(({ id }) => id)).toEqual(['call', 'next']);
  expect(pushed.times.stops[0]?.begins).toBeGreaterThanOrEqual(690);
});
