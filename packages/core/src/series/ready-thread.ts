import { DAYS_A_YEAR, type Day } from '../quantity/day.ts';
import { LEVEL_SPREAD, ODD_SPREAD, STEP_SPREAD } from './drift-prior.ts';
import type { ReadyThread } from './thread-shape.ts';
import type { SeriesSpec } from './spec.ts';

/** One value of a series with its whole error, in the series' unit. */
export interface SeriesPoint {
  readonly day: Day;
  readonly value: number;
  /** Standard deviation. */
  readonly sd: number;
}

/** The reference of a series: what shares are shares of. One unit for values that lie about zero. */
export const referenceOf = (spec: SeriesSpec, nominalOrBaseline: number): number =>
  spec.driftIn === 'unit' || !(nominalOrBaseline > 0) ? 1 : nominalOrBaseline;

/** A value without a stated error is never taken for perfect, share of the reference. */
const LEAST_ERROR = 1e-4;

/**
 * Makes a series ready to be fitted. Points in order of time; `reference` in the series' unit; `shifts` are the places of
 * the first points after events that may have moved the level; `weather` and `sharedSd` are what is known of
 * those and of the meters (see ReadyThread).
 */
export function readyThread(
  spec: SeriesSpec,
  points: readonly SeriesPoint[],
  reference: number,
  fittedOn: Day | null,
  shifts: readonly number[] = [],
  weather: Pick<ReadyThread, 'away' | 'awaySd' | 'awayAllowed'> = {},
  sharedSd?: number,
): ReadyThread {
  const sd = spec.driftPrior.sdShare;
  return {
    points: points.map((p) => ({
      years: p.day / DAYS_A_YEAR,
      value: p.value / reference,
      variance: Math.max(LEAST_ERROR, p.sd / reference) ** 2,
    })),
    fittedYears: fittedOn === null ? null : fittedOn / DAYS_A_YEAR,
    shifts: [...new Set(shifts)].filter((index) => index > 0),
    levelSd: LEVEL_SPREAD * sd,
    oddSd: ODD_SPREAD * sd,
    stepSd: STEP_SPREAD * sd,
    away: weather.away,
    awaySd: weather.awaySd,
    awayAllowed: weather.awayAllowed,
    sharedSd,
  };
}

/** The first points of a ready series, as if the others had not been taken yet. */
export const upTo = (ready: ReadyThread, count: number): ReadyThread => ({
  ...ready,
  points: ready.points.slice(0, count),
  ...(ready.away ? { away: ready.away.slice(0, count) } : {}),
  shifts: ready.shifts.filter((index) => index < count),
});
