import { wayMinutes, type GeoPlace } from './way.ts';

/** Minutes of a day, from midnight; when somebody was promised to. */
export interface Window {
  readonly from: number;
  readonly to: number;
}

/** One address of a day: how long it takes, where it is, and what was promised. */
export interface DayStop {
  readonly id: string;
  readonly minutes: number;
  readonly place: GeoPlace | null;
  readonly window: Window | null;
}

/** When days begin and end, minutes from midnight, how long the break is, and where one sets out from and returns to. */
export interface DayFrame {
  readonly begins: number;
  readonly ends: number;
  readonly breakMinutes: number;
  readonly start: GeoPlace | null;
  /** Where one is as the day, or what is left of it, begins; where one sets out from when left out. */
  readonly from?: GeoPlace | null;
}

/** From this minute on the break is taken, once one is between two addresses. */
export const BREAK_FROM = 11 * 60 + 30;

/** An address with its times, minutes from midnight. */
export interface TimedStop {
  readonly id: string;
  /** Minutes on the way there. */
  readonly way: number;
  readonly arrives: number;
  /** Later than the arrival where the promised time has not come. */
  readonly begins: number;
  readonly leaves: number;
  /** Minutes after what was promised; 0 in time. */
  readonly late: number;
  /** Whether the break comes before it. */
  readonly afterBreak: boolean;
}

export interface DayTimes {
  readonly stops: readonly TimedStop[];
  readonly driving: number;
  /** When one is back where one set out, minutes from midnight. */
  readonly back: number;
  /** Minutes late, all addresses together. */
  readonly late: number;
}

/** A day in an order: when one comes where. The break falls between two addresses, once it is time; a day that ends before has none. */
export function dayTimes(stops: readonly DayStop[], frame: DayFrame): DayTimes {
  const first = frame.from === undefined ? frame.start : frame.from;
  let [at, from, driving, late, hadBreak] = [frame.begins, first, 0, 0, frame.breakMinutes === 0];
  const timed: TimedStop[] = [];
  for (const stop of stops) {
    const afterBreak: boolean = !hadBreak && at >= BREAK_FROM;
    hadBreak ||= afterBreak;
    const way = timed.length === 0 && from === null ? 0 : wayMinutes(from, stop.place);
    const arrives: number = at + (afterBreak ? frame.breakMinutes : 0) + way;
    const begins = Math.max(arrives, stop.window?.from ?? 0);
    const own = stop.window ? Math.max(0, begins - stop.window.to) : 0;
    at = begins + stop.minutes;
    timed.push({ id: stop.id, way, arrives, begins, leaves: at, late: own, afterBreak });
    [from, driving, late] = [stop.place, driving + way, late + own];
  }
  const home = timed.length === 0 || frame.start === null ? 0 : wayMinutes(from, frame.start);
  return { stops: timed, driving: driving + home, back: at + home, late };
}

/** An address somebody is at: since when, and until when it will take, minutes from midnight. */
export interface Here {
  readonly stop: DayStop;
  readonly since: number;
  readonly leaves: number;
}

/** What is left of a day once one leaves where one is. */
export const frameAfter = ({ stop, leaves }: Here, frame: DayFrame): DayFrame => ({
  ...frame,
  begins: leaves,
  from: stop.place,
});

/** A day of which one address is under way: that has its times already, and the rest follows from there. */
export function timesFrom(here: Here, rest: readonly DayStop[], frame: DayFrame): DayTimes {
  const { stop, since, leaves } = here;
  const times = dayTimes(rest, frameAfter(here, frame));
  const own: TimedStop = { id: stop.id, way: 0, arrives: since, begins: since, leaves, late: 0, afterBreak: false };
  return { ...times, stops: [own, ...times.stops], back: Math.max(times.back, leaves) };
}

/** Up to so many addresses every order is tried. */
export const ALL_TRIED = 8;

const isBetter = (a: DayTimes, b: DayTimes): boolean =>
  a.late !== b.late ? a.late < b.late : a.driving !== b.driving ? a.driving < b.driving : a.back < b.back;

/** Every order there is, but for those that begin as late, or as long, as the best one found is in all. */
function bestOfAll(stops: readonly DayStop[], frame: DayFrame): readonly DayStop[] {
  let [best, times] = [stops, dayTimes(stops, frame)];
  const home = (stop: DayStop) => (frame.start === null ? 0 : wayMinutes(stop.place, frame.start));
  const goOn = (order: readonly DayStop[], left: readonly DayStop[]): void => {
    const so = dayTimes(order, frame);
    const last = order.at(-1);
    const driven = so.driving - (last ? home(last) : 0);
    if (so.late > times.late || (so.late === times.late && driven > times.driving)) return;
    if (left.length === 0) {
      if (isBetter(so, times)) [best, times] = [order, so];
      return;
    }
    for (const next of left)
      goOn(
        [...order, next],
        left.filter((other) => other !== next),
      );
  };
  goOn([], stops);
  return best;
}

/** Turns stretches round and moves addresses while that makes it better (2-opt and or-opt). */
function improved(stops: readonly DayStop[], frame: DayFrame): readonly DayStop[] {
  let [best, times] = [stops, dayTimes(stops, frame)];
  for (let isBetterThan = true; isBetterThan;) {
    isBetterThan = false;
    for (let i = 0; i < best.length; i += 1)
      for (let j = i + 1; j <= best.length; j += 1) {
        const turned = [...best.slice(0, i), ...best.slice(i, j).reverse(), ...best.slice(j)];
        const moved = [...best.slice(0, i), ...best.slice(i + 1, j), ...best.slice(i, i + 1), ...best.slice(j)];
        for (const other of [turned, moved]) {
          const so = dayTimes(other, frame);
          if (isBetter(so, times)) [best, times, isBetterThan] = [other, so, true];
        }
      }
  }
  return best;
}

/** Each address where it costs least, those with a promise first. */
function inserted(stops: readonly DayStop[], frame: DayFrame): readonly DayStop[] {
  const promisedFirst = [...stops].sort((a, b) => (a.window?.to ?? Infinity) - (b.window?.to ?? Infinity) || 0);
  let order: readonly DayStop[] = [];
  for (const stop of promisedFirst) {
    const tried = Array.from({ length: order.length + 1 }, (_, at) => [
      ...order.slice(0, at),
      stop,
      ...order.slice(at),
    ]);
    order = tried.reduce((best, other) => (isBetter(dayTimes(other, frame), dayTimes(best, frame)) ? other : best));
  }
  return order;
}

/** No order drives less: from each place the shortest way on, and the longest of those once less where nobody returns. */
function leastDriving(stops: readonly DayStop[], { start }: DayFrame): number {
  const places = [...(start ? [start] : []), ...stops.map(({ place }) => place)];
  const shortest = places.map((from, i) =>
    Math.min(...places.flatMap((to, j) => (i === j ? [] : [wayMinutes(from, to)]))),
  );
  if (shortest.length < 2) return 0;
  const all = shortest.reduce((sum, way) => sum + way, 0);
  return start === null ? all - Math.max(...shortest) : all;
}

export interface DayOrder {
  readonly stops: readonly DayStop[];
  readonly times: DayTimes;
  /** Minutes of driving that no order goes below. */
  readonly bound: number;
}

/**
 * The order of a day that is late least, then drives least. Up to eight addresses it is the best there is; of more it is one
 * that no turning of a stretch and no moving of an address makes better, and the bound says how much could be left.
 */
export function bestOrder(stops: readonly DayStop[], frame: DayFrame): DayOrder {
  const good = improved(inserted(stops, frame), frame);
  const best = stops.length <= ALL_TRIED ? bestOfAll(good, frame) : good;
  const times = dayTimes(best, frame);
  return { stops: best, times, bound: stops.length <= ALL_TRIED ? times.driving : leastDriving(stops, frame) };
}

/** What one more address does to a day. */
export interface Pushed {
  /** Where in the day it comes: before the address that stands there. */
  readonly at: number;
  readonly times: DayTimes;
  /** Addresses that are begun later, by how many minutes. */
  readonly later: readonly { readonly id: string; readonly by: number }[];
  /** Minutes late that it adds, and minutes past the end of the day. */
  readonly late: number;
  readonly past: number;
}

/**
 * Where in a day one more address fits best, and what it pushes; `from` is the first place of the day that is still open: what
 * is done, or under way, stays before it. `soonest`: as early as it can be, as a call that cannot wait.
 */
export function fitIn(
  stops: readonly DayStop[],
  stop: DayStop,
  frame: DayFrame,
  { from = 0, soonest = false }: { readonly from?: number; readonly soonest?: boolean } = {},
): Pushed {
  const before = dayTimes(stops, frame);
  const began = new Map(before.stops.map((s) => [s.id, s.begins]));
  const tried = Array.from({ length: stops.length + 1 - from }, (_, i) => {
    const at = from + i;
    const times = dayTimes([...stops.slice(0, at), stop, ...stops.slice(at)], frame);
    const later = times.stops.flatMap(({ id, begins }) => {
      const by = begins - (began.get(id) ?? begins);
      return by > 0 ? [{ id, by }] : [];
    });
    return {
      at,
      times,
      later,
      late: times.late - before.late,
      past: Math.max(0, times.back - frame.ends) - Math.max(0, before.back - frame.ends),
    };
  });
  if (soonest && tried[0]) return tried[0];
  return tried.reduce((best, other) => (isBetter(other.times, best.times) ? other : best));
}
