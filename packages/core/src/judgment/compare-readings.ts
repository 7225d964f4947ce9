import type { Conditions } from '../readings/contract/conditions.ts';
import type { About, Inputs } from '../readings/contract/entry.ts';
import type { Compared, NumericKind } from '../readings/contract/kind.ts';
import type { ThreadReading } from '../readings/contract/reading.ts';
import type { MetersKnown } from '../series/meters-known.ts';
import { correctedFor, type MeterPart } from './read-with.ts';

/**
 * Brings a value (kind's unit) to the kind's common conditions, given what held when it was taken. Kinds that nothing
 * but wear and the meter move return it as it is.
 */
export function bringAlike(
  kind: NumericKind,
  value: number,
  about: About,
  conditions: Conditions | undefined,
  inputs?: Inputs,
): Compared {
  const alike = kind.likeForLike;
  if (!alike) return { value, error: 0, known: true };
  return alike.bring(value, aboutIn(about, conditions ?? {}), inputs ?? {});
}

/** The same under other conditions. Written out: this is done for every reading of every thread. */
const aboutIn = ({ systemKind, plate, component, point, tables }: About, conditions: Conditions): About => ({
  systemKind,
  plate,
  component,
  point,
  tables,
  conditions,
});

/** What a reading is about under the kind's common conditions: the limits of compared values are taken there. */
export const aboutAlike = (kind: NumericKind, about: About): About =>
  kind.likeForLike ? aboutIn(about, kind.likeForLike.at(about)) : about;

/** A reading brought to common conditions, with its whole error. */
export interface ComparedReading extends Compared {
  readonly reading: ThreadReading;
  /** Standard deviation of meter and bringing together, kind's unit. */
  readonly sd: number;
  /** Whose errors it carries, and what was taken off for them. */
  readonly meters: readonly MeterPart[];
}

const textOrder = (a = '', b = ''): number => (a < b ? -1 : a > b ? 1 : 0);

/** What is only being typed comes after what was taken. */
const byMoment = (a: ThreadReading, b: ThreadReading): number =>
  a.takenAt === b.takenAt
    ? 0
    : a.takenAt === undefined
      ? 1
      : b.takenAt === undefined
        ? -1
        : textOrder(a.takenAt, b.takenAt);

/** Brings readings to common conditions, in order of time; readings of one day by their moments, or in an order of their own. */
export function compareReadings(
  kind: NumericKind,
  readings: readonly ThreadReading[],
  about: About,
  meters?: MetersKnown,
): ComparedReading[] {
  return readings
    .map((reading) => {
      const method = kind.methods.find((m) => m.id === reading.method);
      const { value, parts } = correctedFor(method, reading.value, reading.instrument, reading.day, meters);
      const {
        value: alike,
        error,
        known,
        weather,
      } = bringAlike(kind, value, about, reading.conditions, reading.inputs);
      const meter = method?.error?.(reading.value) ?? 0;
      return {
        reading,
        value: alike,
        error,
        known,
        weather,
        sd: Math.sqrt(meter * meter + error * error),
        meters: parts,
      };
    })
    .sort(
      (a, b) =>
        a.reading.day - b.reading.day ||
        byMoment(a.reading, b.reading) ||
        a.value - b.value ||
        textOrder(a.reading.method, b.reading.method),
    );
}
