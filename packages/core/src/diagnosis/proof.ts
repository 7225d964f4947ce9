import type { FaultId } from '../circuit/faults.ts';
import { isUnlisted, type Cause, type CauseId } from './causes.ts';
import { holding, likelihoods, logLikelihoods, type Observation } from './chances.ts';
import { NO_FAULT } from './complaint-shares.ts';
import type { Ground } from './ground.ts';
import type { Test } from './test-shape.ts';
import { meanOver, type Weighed } from './weigh.ts';

/** How a hunt stands. */
export type Standing =
  | { readonly is: 'open' }
  /** Faults that measurements bear out against every cause without them; most often one. */
  | { readonly is: 'proved'; readonly faults: readonly FaultId[] }
  /** Measured as it should be, all that was looked at: nothing found. */
  | { readonly is: 'nothing-found' }
  /** None of the causes known here; `near` is the wire or joint it is most likely at. */
  | { readonly is: 'none-of-these'; readonly near: string | null }
  /** What is left cannot be told apart by any test known here. */
  | { readonly is: 'undecided'; readonly left: readonly CauseId[] };

/** From this chance on a cause can be called proved, if a measurement bears it out. */
export const PROVED = 0.95;
/** Under this chance a cause counts as ruled out. */
const ALIVE = 0.01;
/** How many times as likely under the proved cause as with nothing wrong what was measured must be. */
export const TELLS_APART = 12;

/** Whether a measure is one of what a cause is at: leads on its nodes, a clamp on its branch, or its air. */
export function isAt({ where }: Cause, { measure }: Test): boolean {
  switch (measure.what) {
    case 'volts':
      return where.has(measure.from) || where.has(measure.to);
    case 'ohms':
      return measure.keep.some((id) => where.has(id)) || where.has(measure.from) || where.has(measure.to);
    case 'amps':
      return where.has(measure.through);
    case 'microfarads':
    case 'spin':
      return where.has(measure.of);
    case 'fuse':
      return measure.lifted.some((id) => where.has(id)) || where.has('fuse');
    case 'air':
    case 'frost':
    case 'coil':
      return where.has('air');
    case 'runs':
      return false;
  }
}

/** Whether an answer was measured, and not only seen from afar. */
export const isMeasured = (ground: Ground, { test }: Observation): boolean =>
  ground.tests.get(test)?.measure.what !== 'runs';

/**
 * Whether measurements bear a fault out: one of them, at the part itself, departs from a sound machine's as this fault makes it,
 * and together they tell it from every cause without it that is still alive.
 */
function bornOut({ ground, observations, byWay, chances }: Weighed, fault: FaultId): boolean {
  const has = holding(ground.causes, fault);
  const part = ground.causes.find(({ faults }) => faults.length === 1 && faults[0] === fault);
  const measured = observations.filter(({ test: id }) => {
    const test = ground.tests.get(id);
    return test !== undefined && part !== undefined && isAt(part, test);
  });
  const best = has.reduce((b, h, i) => (h && (chances[i] ?? 0) > (chances[b] ?? -1) ? i : b), -1);
  const sound = ground.causes.findIndex(({ id }) => id === NO_FAULT);
  const departs = measured.some((o) => {
    const ways = likelihoods(ground, o);
    if (!ways) return false;
    const [own, other] = [meanOver(ways[best] ?? [], byWay[best] ?? []), meanOver(ways[sound] ?? [], [1])];
    return own > TELLS_APART * other;
  });
  if (!departs) return false;
  const logs = logLikelihoods(ground, observations).map((ways) => Math.max(...ways));
  const own = logs[best] ?? 0;
  return logs.every((log, i) => has[i] === true || (chances[i] ?? 0) < ALIVE || own - log > Math.log(2));
}

/** How a hunt stands; `over` when no test is left that tells anything. */
export function standingOf(now: Weighed, over: boolean): Standing {
  const { ground, chances } = now;
  const sumOf = (is: (cause: Cause) => boolean) =>
    ground.causes.reduce((sum, cause, i) => (is(cause) ? sum + (chances[i] ?? 0) : sum), 0);
  const faults = [...new Set(ground.causes.flatMap((cause) => cause.faults))].filter(
    (fault) => sumOf((cause) => cause.faults.includes(fault)) >= PROVED && bornOut(now, fault),
  );
  if (faults.length > 0) return { is: 'proved', faults };
  const unlisted = sumOf(({ id }) => isUnlisted(id));
  if (unlisted >= PROVED || (over && unlisted > 0.5)) {
    const leader = ground.causes[chances.indexOf(Math.max(...chances))];
    return { is: 'none-of-these', near: leader?.id.startsWith('open:') ? leader.id.slice(5) : null };
  }
  const sound = sumOf(({ id }) => id === NO_FAULT);
  if (sound >= PROVED || (over && sound > 0.5)) return { is: 'nothing-found' };
  if (!over) return { is: 'open' };
  return { is: 'undecided', left: ground.causes.filter((_, i) => (chances[i] ?? 0) > 0.05).map(({ id }) => id) };
}

/** Bits the best test must still tell for a fault to be looked for that comes and goes and has not shown. */
const TELLS_ENOUGH = 0.1;

/**
 * Whether a fault that comes and goes does not show now: a sound machine would have read as everything did, and no test left
 * would tell enough. Looking on is a matter of waiting for it, not of more tests.
 */
export function showsNot({ ground, observations }: Weighed, tells: readonly number[]): boolean {
  const logs = logLikelihoods(ground, observations).map((ways) => Math.max(...ways));
  const sound = logs[ground.causes.findIndex(({ id }) => id === NO_FAULT)] ?? 0;
  return Math.max(...logs) - sound < Math.log(2) && Math.max(0, ...tells) < TELLS_ENOUGH;
}
