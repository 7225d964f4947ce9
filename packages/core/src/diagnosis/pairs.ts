import type { FaultId } from '../circuit/faults.ts';
import { likelihoods } from './chances.ts';
import { NO_FAULT } from './complaint-shares.ts';
import { isMeasured } from './proof.ts';
import { meanOver, type Weighed } from './weigh.ts';

/** How likely each observation is under each cause. */
const fits = ({ ground, observations, byWay }: Weighed): number[][] =>
  observations.map((o) => likelihoods(ground, o)?.map((ways, i) => meanOver(ways, byWay[i] ?? [])) ?? []);

/** Under this an observation is not explained by a cause. */
const UNEXPLAINED = 0.08;
const MOST_PAIRS = 12;

/**
 * Pairs of faults that together explain what no single cause does: each departing observation by one of them. None as long
 * as the likeliest cause explains all.
 */
export function pairsAsked(now: Weighed): [FaultId, FaultId][] {
  const { ground, chances } = now;
  const rows = fits(now);
  // What is on no list explains anything a little: it is the likeliest listed cause that has to.
  const leader = ground.causes.reduce(
    (best, cause, i) => (cause.faults.length > 0 && (chances[i] ?? 0) > (chances[best] ?? 0) ? i : best),
    ground.causes.findIndex(({ faults }) => faults.length > 0),
  );
  if (rows.every((row) => (row[leader] ?? 1) > UNEXPLAINED)) return [];
  const sound = ground.causes.findIndex(({ id }) => id === NO_FAULT);
  // What runs with two faults is neither's alone: the pair's own network is asked for that.
  const departing = rows.filter(
    (row, at) => (row[sound] ?? 1) < UNEXPLAINED && isMeasured(ground, now.observations[at]!),
  );
  if (departing.length < 2) return [];
  const single = ground.causes.map((cause, i) => ({ cause, i })).filter(({ cause }) => cause.faults.length === 1);
  const explains = single
    .map(({ cause, i }) => ({
      fault: cause.faults[0]!,
      by: departing.map((row) => (row[i] ?? 0) > 0.25),
      fit: rows.reduce((sum, row) => sum + Math.log(Math.max(0.02, row[i] ?? 0.02)), 0),
    }))
    .filter(({ by }) => by.some(Boolean));
  return explains
    .flatMap((one, i) =>
      explains
        .slice(i + 1)
        .filter((other) => departing.every((_, at) => one.by[at] === true || other.by[at] === true))
        .map((other) => ({ pair: [one.fault, other.fault] as [FaultId, FaultId], fit: one.fit + other.fit })),
    )
    .sort((a, b) => b.fit - a.fit)
    .slice(0, MOST_PAIRS)
    .map(({ pair }) => pair);
}
