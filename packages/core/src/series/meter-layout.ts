import { DAYS_A_YEAR } from '../quantity/day.ts';
import { LEAST_THREADS } from './meters-known.ts';
import type { ReadyThread } from './thread-shape.ts';

/** Where one meter's offset over time stands among the unknowns: a line through so many knots. */
export interface MeterTrack {
  readonly quantity: string;
  readonly name: string;
  /** Of its first knot; the others follow. */
  readonly first: number;
  /** Years, ascending. */
  readonly knots: readonly number[];
  readonly readings: number;
  readonly threads: number;
}

/** Every unknown of a firm's meters: what all of a quantity share, each one's offset, and what classes start from. */
export interface MeterLayout {
  readonly size: number;
  readonly common: ReadonlyMap<string, number>;
  readonly tracks: readonly MeterTrack[];
  readonly trackOf: (quantity: string, name: string) => MeterTrack;
  /** Of each class by its place: the level of its new parts, and after it the drift of its parts; null where no meter read it. */
  readonly ofClass: (place: number) => number | null;
}

/** No more unknowns than this, as far as knots farther apart can save. */
const MOST_KNOTS = 500;
const FINEST_YEARS = 0.25;
const COARSEST_YEARS = 1;

interface Seen {
  readonly quantity: string;
  readonly name: string;
  from: number;
  to: number;
  readings: number;
  threads: number;
}

const nameIn = (quantity: string, name: string): string => `${quantity}/${name}`;

/** A look at a meter by itself. */
interface Look {
  readonly quantity: string;
  readonly name: string;
  readonly day: number;
}

function metersSeen(classes: readonly (readonly ReadyThread[])[], looks: readonly Look[]): Seen[] {
  const all = new Map<string, Seen>();
  const see = ({ quantity, name }: { quantity: string; name: string }, years: number): Seen => {
    const key = nameIn(quantity, name);
    const seen = all.get(key) ?? { quantity, name, from: years, to: years, readings: 0, threads: 0 };
    all.set(key, seen);
    seen.from = Math.min(seen.from, years);
    seen.to = Math.max(seen.to, years);
    return seen;
  };
  for (const thread of classes.flat()) {
    const here = new Set<Seen>();
    thread.pulls?.forEach((pulls, i) => {
      for (const pull of pulls) {
        const seen = see(pull, thread.points[i]!.years);
        seen.readings += 1;
        here.add(seen);
      }
    });
    for (const seen of here) seen.threads += 1;
  }
  for (const look of looks) see(look, look.day / DAYS_A_YEAR).threads += LEAST_THREADS;
  return [...all.entries()].sort(([a], [b]) => (a < b ? -1 : 1)).map(([, seen]) => seen);
}

const knotsFor = ({ from, to }: Seen, apart: number): number[] => {
  const spans = Math.max(0, Math.ceil((to - from) / apart));
  return Array.from({ length: spans + 1 }, (_, i) => (spans === 0 ? from : from + ((to - from) * i) / spans));
};

/** Lays out the unknowns of all meters that these classes of threads were read by, or that were looked at by themselves. */
export function layMeters(classes: readonly (readonly ReadyThread[])[], looks: readonly Look[] = []): MeterLayout {
  const seen = metersSeen(classes, looks);
  let apart = FINEST_YEARS;
  const count = () => seen.reduce((sum, s) => sum + knotsFor(s, apart).length, 0);
  while (apart < COARSEST_YEARS && count() > MOST_KNOTS) apart *= 1.5;
  const common = new Map<string, number>();
  for (const { quantity } of seen) if (!common.has(quantity)) common.set(quantity, common.size);
  let size = common.size;
  const tracks = seen.map((s) => {
    const knots = knotsFor(s, apart);
    const track = { quantity: s.quantity, name: s.name, first: size, knots, readings: s.readings, threads: s.threads };
    size += knots.length;
    return track;
  });
  const byName = new Map(tracks.map((t) => [nameIn(t.quantity, t.name), t]));
  const ofClass = classes.map((threads) => {
    if (!threads.some((t) => t.pulls)) return null;
    size += 2;
    return size - 2;
  });
  return {
    size,
    common,
    tracks,
    trackOf: (quantity, name) => byName.get(nameIn(quantity, name))!,
    ofClass: (place) => ofClass[place] ?? null,
  };
}

/** Between which knots a moment lies, and how near the later one: 0 to 1. */
function placeIn({ knots }: MeterTrack, years: number): { at: number; share: number } {
  if (knots.length === 1) return { at: 0, share: 0 };
  const step = knots[1]! - knots[0]!;
  const at = Math.min(knots.length - 2, Math.max(0, Math.floor((years - knots[0]!) / step)));
  return { at, share: Math.min(1, Math.max(0, (years - knots[at]!) / step)) };
}

/** How one meter's offset moves a point, by the places of its unknowns. */
export interface PlacedPull {
  readonly common: number;
  readonly knot: number;
  /** How near the knot after that one, 0 to 1. */
  readonly share: number;
  readonly power: number;
  readonly adds: number;
}

/** Where a meter stands among the unknowns at a moment: what all share, and the knot before it. */
export function placeOf(
  layout: MeterLayout,
  quantity: string,
  name: string,
  years: number,
): Pick<PlacedPull, 'common' | 'knot' | 'share'> {
  const track = layout.trackOf(quantity, name);
  const { at, share } = placeIn(track, years);
  return { common: layout.common.get(quantity)!, knot: track.first + at, share };
}

/** Where the pulls of a thread's points stand among the unknowns; null where it has none. */
export const placePulls = (
  layout: MeterLayout,
  { pulls, points }: ReadyThread,
): readonly (readonly PlacedPull[])[] | null =>
  pulls?.map((its, i) =>
    its.map(({ quantity, name, power, adds }) => ({
      ...placeOf(layout, quantity, name, points[i]!.years),
      power,
      adds,
    })),
  ) ?? null;

/** The offset that moves a point, by what is believed of the unknowns. */
export const offsetBy = (x: Float64Array, { common, knot, share }: PlacedPull): number =>
  x[common]! + x[knot]! * (1 - share) + (share > 0 ? x[knot + 1]! * share : 0);
