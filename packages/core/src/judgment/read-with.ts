import type { Method } from '../readings/contract/entry.ts';
import { metersOf } from '../readings/contract/meters.ts';
import { OFFSETS, type MeterQuantity, type MeterShare } from '../readings/contract/quantities.ts';
import type { ReadWith } from '../readings/contract/reading.ts';
import { own } from '../quantity/own.ts';
import type { Day } from '../quantity/day.ts';
import { MIDDLE_80 } from '../series/mixture.ts';
import { offsetOn, type MeterOffset, type MetersKnown } from '../series/meters-known.ts';

/** One meter's part in a reading. */
export interface MeterPart {
  readonly quantity: MeterQuantity;
  readonly name: string;
  /** How its offset moves the value: with a power of it, and by the kind's units for one unit of it. */
  readonly power: number;
  readonly adds: number;
  /** Both together at the value read, kind's unit. */
  readonly moves: number;
  /** What is believed of the meter on that day; null where nothing was learned. */
  readonly offset: MeterOffset | null;
}

/** What a reading showed, with what is believed of its meters taken off. */
export interface Corrected {
  /** Kind's unit. */
  readonly value: number;
  readonly parts: readonly MeterPart[];
}

/** The name of the instrument that a share of a reading came from; null where that is not known. */
function nameOf(with_: ReadWith, share: MeterShare): string | null {
  if (typeof with_ === 'string') return with_;
  return with_[OFFSETS[share.of].instrument] ?? null;
}

/** Takes off a value (kind's unit) what is believed of the meters it was read with; with nothing known it stays as it is. */
export function correctedFor(
  method: Method | undefined,
  value: number,
  with_: ReadWith | null | undefined,
  day: Day,
  known: MetersKnown | undefined,
): Corrected {
  if (!method || !with_) return { value, parts: [] };
  const parts: MeterPart[] = [];
  let right = value;
  for (const share of metersOf(method)) {
    const name = nameOf(with_, share);
    if (name === null) continue;
    const offset = known ? offsetOn(own(known, share.of), name, day) : null;
    const { power, adds } = { power: 0, adds: 0, ...share };
    parts.push({ quantity: share.of, name, power, adds, moves: power * value + adds, offset });
    if (offset) right = right / (1 + offset.mean) ** power - adds * offset.mean;
  }
  return { value: right, parts };
}

/** What the meters of a thread do to it beside what was taken off: to each reading, and to all of them together. */
export interface MeterDoubt {
  /** Standard deviation that each reading's meters add to it, those that read most of the thread left out; kind's unit. */
  readonly each: readonly number[];
  /** Standard deviation of all readings together, kind's unit. */
  readonly shared: number;
}

/** The meter of each quantity that read most of a thread; of two that read as much, the later. */
function mainMeters(readings: readonly (readonly MeterPart[])[]): Map<MeterQuantity, string> {
  const counts = new Map<MeterQuantity, Map<string, number>>();
  for (const { quantity, name } of readings.flat()) {
    const names = counts.get(quantity) ?? new Map<string, number>();
    counts.set(quantity, names.set(name, (names.get(name) ?? 0) + 1));
  }
  return new Map(
    [...counts].map(([quantity, names]) => {
      const most = Math.max(...names.values());
      const name = readings.flat().findLast((p) => p.quantity === quantity && names.get(p.name) === most)!.name;
      return [quantity, name];
    }),
  );
}

/**
 * What is not known of the meters of a thread's readings, in order of time. The meter that read most of it is off by as much
 * at every reading: that moves the whole thread and no reading against another. What another adds is its own.
 */
export function doubtOf(readings: readonly (readonly MeterPart[])[]): MeterDoubt {
  if (readings.every((parts) => parts.length === 0)) return { each: readings.map(() => 0), shared: 0 };
  const main = mainMeters(readings);
  const sharedBy = new Map<MeterQuantity, number>();
  const each = readings.map((parts) => {
    let square = 0;
    for (const { quantity, name, moves, offset } of parts) {
      if (!offset) continue;
      sharedBy.set(
        quantity,
        (sharedBy.get(quantity) ?? 0) + (Math.abs(moves) * mainSd(offset, name, main.get(quantity)!)) / readings.length,
      );
      if (name !== main.get(quantity)!) square += (moves * offset.own) ** 2;
    }
    return Math.sqrt(square);
  });
  return { each, shared: Math.hypot(...sharedBy.values()) };
}

/** What all meters share is carried by every reading; what is the main one's own, by its readings. */
const mainSd = ({ sd, own: apart }: MeterOffset, name: string, main: string): number =>
  name === main ? sd : Math.sqrt(Math.max(0, sd * sd - apart * apart));

/** Where the part of a reading's meters in it has to be this sure, in standard deviations, and this large, before it is told. */
const SURE = 2;
const LEAST_SHIFT = 0.003;

/** A reading as it is judged against plate and rule: as believed where its meter is known to be off, else as read. */
export interface BelievedReading {
  readonly value: number;
  /** What is told of it; absent where the value stands as read. */
  readonly meter?: { readonly read: number; readonly offPercent: number | null; readonly within: number };
}

/**
 * What a reading is held to be: as read, unless its meters are known well enough to be off by something that counts. `inUnit`
 * for kinds whose values lie about zero, so that shares make no sense. `within` is half of the 80 % range, kind's unit.
 */
export function believedOf({ value: right, parts }: Corrected, read: number, inUnit: boolean): BelievedReading {
  if (parts.length === 0) return { value: read };
  const sd = Math.hypot(...parts.map(({ moves, offset }) => (offset ? moves * offset.sd : 0)));
  const shift = Math.abs(read - right);
  // A share of zero is zero: a meter that is known to be off by a share still reads a true zero.
  if (shift === 0 || shift < SURE * sd || shift < LEAST_SHIFT * (inUnit ? 100 : Math.abs(read))) return { value: read };
  const offPercent = inUnit || right === 0 ? null : (100 * (read - right)) / right;
  return { value: right, meter: { read, offPercent, within: MIDDLE_80 * sd } };
}
