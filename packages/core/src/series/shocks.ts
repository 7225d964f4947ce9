import { KEPT, type ThreadEnd } from './follow.ts';

/**
 * What one more trouble would change of a thread followed under one motion, for each of its points, in one pass back: the
 * smoothing errors of a linear model and their variances (P. de Jong and J. Penzer, "Diagnosing shocks in time series",
 * 1998). So many numbers a point: how much the readings ask for a shock there, and how surely they would tell, of an odd
 * reading and of a step before it.
 */
export const SHOCK = 4;
const STEP = 2;

/** Goes back over `points` points of a trail that follow() left from `place` on; the numbers go into `into` from its own place on. */
export function shocksOf(
  points: number,
  trail: Float64Array,
  place: number,
  into: Float64Array,
  intoPlace: number,
): void {
  // What the readings still to come say of level and drift (r), and how surely (n).
  let [r1, r2] = [0, 0];
  let [n11, n12, n22] = [0, 0, 0];
  for (let i = points - 1; i >= 0; i -= 1) {
    const k = place + KEPT * i;
    const dt = trail[k]!;
    const told = 1 / trail[k + 2]!;
    const g1 = trail[k + 3]!;
    const g2 = trail[k + 4]!;
    const at = intoPlace + SHOCK * i;
    const rest = 1 - g1;
    const pull = trail[k + 1]! * told - g1 * r1 - g2 * r2;
    into[at] = pull;
    into[at + 1] = told + g1 * g1 * n11 + 2 * g1 * g2 * n12 + g2 * g2 * n22;
    r1 += pull;
    n11 = told + rest * rest * n11 - 2 * rest * g2 * n12 + g2 * g2 * n22;
    n12 = rest * n12 - g2 * n22;
    into[at + STEP] = r1;
    into[at + STEP + 1] = n11;
    r2 += dt * r1;
    n22 += 2 * dt * n12 + dt * dt * n11;
    n12 += dt * n11;
  }
}

/** Where the numbers of an odd reading, or of a step before it, stand for a point. */
export const shockAt = (place: number, point: number, isStep: boolean): number =>
  place + SHOCK * point + (isStep ? STEP : 0);

/** By how much more likely, natural logarithm, the readings are with so much variance at that shock. */
export function shockGain(shocks: Float64Array, at: number, variance: number): number {
  const pull = shocks[at]!;
  const spread = 1 + variance * shocks[at + 1]!;
  return 0.5 * ((variance * pull * pull) / spread - Math.log(spread));
}

/** A shock in a thread: its point, and what kind it is. */
interface Shock {
  readonly at: number;
  readonly isStep: boolean;
}

/** How far a shock of one carries to level and drift at the end, by the trail from `place` on. */
function carriedToEnd(points: number, trail: Float64Array, place: number, { at, isStep }: Shock): [number, number] {
  const first = place + KEPT * at;
  // An error of a reading moves what is believed by its gain; a step is what the reading then takes its part of.
  let [level, drift] = isStep ? [1, 0] : [-trail[first + 3]!, -trail[first + 4]!];
  for (let i = isStep ? at : at + 1; i < points; i += 1) {
    const k = place + KEPT * i;
    if (i > at) level += trail[k]! * drift;
    drift -= trail[k + 4]! * level;
    level -= trail[k + 3]! * level;
  }
  return [level, drift];
}

/** Level and drift at the end of a thread with so much variance at a shock; `numbers` are where that shock's stand. */
export function shockedEnd(
  end: ThreadEnd,
  shock: Shock,
  variance: number,
  from: { points: number; trail: Float64Array; place: number; shocks: Float64Array; numbers: number },
): ThreadEnd {
  const share = variance / (1 + variance * from.shocks[from.numbers + 1]!);
  const moved = share * from.shocks[from.numbers]!;
  const [toLevel, toDrift] = carriedToEnd(from.points, from.trail, from.place, shock);
  return {
    years: end.years,
    level: end.level + toLevel * moved,
    drift: end.drift + toDrift * moved,
    levelVariance: end.levelVariance + share * toLevel * toLevel,
    covariance: end.covariance + share * toLevel * toDrift,
    driftVariance: end.driftVariance + share * toDrift * toDrift,
    wander: end.wander,
  };
}
