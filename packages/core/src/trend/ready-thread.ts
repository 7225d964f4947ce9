import type { About, Compared, Conditions, Inputs, ReadingKind } from '../readings/kind.ts';
import { DAYS_A_YEAR, type Day } from '../quantity/day.ts';
import { LEVEL_SPREAD, ODD_SPREAD, STEP_SPREAD } from './drift-prior.ts';
import type { ReadyThread } from './fit-thread.ts';
import { bringAlike } from './like-for-like.ts';

/** A numeric reading of one thread. */
export interface ThreadReading {
  readonly day: Day;
  /** In the kind's unit, as read. */
  readonly value: number;
  readonly method: string;
  /** What held while it was taken. */
  readonly conditions?: Conditions | undefined;
  readonly inputs?: Inputs | undefined;
}

/** A reading brought to common conditions, with its whole error. */
export interface ComparedReading extends Compared {
  readonly reading: ThreadReading;
  /** Standard deviation of meter and bringing together, kind's unit. */
  readonly sd: number;
}

/** Brings readings to common conditions, in order of time; readings of one day in an order of their own. */
export function compareReadings(
  kind: ReadingKind,
  readings: readonly ThreadReading[],
  about: About,
): ComparedReading[] {
  return readings
    .map((reading) => {
      const compared = bringAlike(kind, reading.value, about, reading.conditions, reading.inputs);
      const meter = kind.methods.find((m) => m.id === reading.method)?.error(reading.value) ?? 0;
      return { reading, ...compared, sd: Math.hypot(meter, compared.error) };
    })
    .sort(
      (a, b) => a.reading.day - b.reading.day || a.value - b.value || (a.reading.method < b.reading.method ? -1 : 1),
    );
}

/** A kind's reference: what shares are shares of. One unit for values that lie about nought. */
export const referenceOf = (kind: ReadingKind, nominalOrBaseline: number): number =>
  kind.driftIn === 'unit' || !(nominalOrBaseline > 0) ? 1 : nominalOrBaseline;

/** A reading without a stated error is never taken for perfect, share of the reference. */
const LEAST_ERROR = 1e-4;

/**
 * Makes compared readings ready to be fitted. `reference` in the kind's unit; `shifts` are days of events that may have
 * moved the level: the first reading after each may lie elsewhere.
 */
export function readyThread(
  kind: ReadingKind,
  compared: readonly ComparedReading[],
  reference: number,
  fittedOn: Day | null,
  shifts: readonly Day[] = [],
): ReadyThread {
  const sd = kind.driftPrior.sdShare;
  return {
    points: compared.map((c) => ({
      years: c.reading.day / DAYS_A_YEAR,
      value: c.value / reference,
      variance: Math.max(LEAST_ERROR, c.sd / reference) ** 2,
    })),
    fittedYears: fittedOn === null ? null : fittedOn / DAYS_A_YEAR,
    shifts: [...new Set(shifts)]
      .map((day) => compared.findIndex((c) => c.reading.day > day))
      .filter((index) => index > 0),
    levelSd: LEVEL_SPREAD * sd,
    oddSd: ODD_SPREAD * sd,
    stepSd: STEP_SPREAD * sd,
  };
}
