import { priorsOf, type Leanings } from './causes.ts';
import { byCause, chancesByWay, logLikelihoods, type ByWay, type Observation } from './chances.ts';
import type { Complaint } from './complaint-shares.ts';
import type { Standpoint } from './costs.ts';
import type { Ground } from './ground.ts';

/** What a hunt goes by. */
export interface HuntAsked {
  readonly complaints: readonly Complaint[];
  readonly observations: readonly Observation[];
  readonly leanings?: Leanings;
  readonly standpoint: Standpoint;
  /** Whether it shows at times only. */
  readonly atTimes?: boolean;
  /** Outdoor air, °F: what it keeps from telling anything is not asked for. */
  readonly outdoorF?: number;
  /** Tests that could not be taken. */
  readonly skipped?: readonly string[];
}

/** What was observed, weighed on a ground. */
export interface Weighed {
  readonly ground: Ground;
  readonly observations: readonly Observation[];
  readonly byWay: ByWay;
  readonly chances: readonly number[];
}

/** Weighs what was observed. */
export function weighed(ground: Ground, { complaints, leanings, observations }: HuntAsked): Weighed {
  const priors = priorsOf(ground.causes, complaints, leanings);
  const byWay = chancesByWay(logLikelihoods(ground, observations), priors);
  return { ground, observations, byWay, chances: byCause(byWay) };
}

/** The mean of a cause's likelihoods over its ways, as likely as they are now. */
export const meanOver = (ways: readonly number[], chances: readonly number[]): number => {
  const all = chances.reduce((sum, p) => sum + p, 0);
  return ways.reduce((sum, l, way) => sum + l * (all > 0 ? (chances[way] ?? 0) / all : 1 / ways.length), 0);
};
