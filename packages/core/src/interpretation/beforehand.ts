import type { Slot } from '../equipment/component.ts';
import { fits } from './density.ts';
import type { Expected, Way } from './expected.ts';
import { logSumOver, ofLogs, total, type Episode, type Sample, type Weighed } from './weigh.ts';

/** Beforehand: nothing wrong, something that shows at the reading, something that does not. */
const BEFOREHAND = { sound: 1 / 3, shows: 1 / 2, hidden: 1 / 6 };

/**
 * The weight of each way before a reading. What shows there is as likely of each cause that the other readings leave, whichever
 * part it is of: no part is condemned by how often such parts fail, nor spared by how many causes there are that are out already.
 * What reads as sound there is set apart, since only a slip would make it read otherwise.
 */
export function evenly(ways: readonly Way[], shows: ReadonlySet<string>, others: Float64Array): (way: Way) => number {
  const classOf = (way: Way) => (way.isSound ? 'sound' : shows.has(way.cause) ? 'shows' : 'hidden');
  const left = {
    sound: new Map<string, number>(),
    shows: new Map<string, number>(),
    hidden: new Map<string, number>(),
  };
  const most = Math.max(...others);
  ways.forEach((way, w) => {
    const of = left[classOf(way)];
    of.set(way.cause, (of.get(way.cause) ?? 0) + Math.exp(others[w]! - most) / way.among);
  });
  const countOf = (of: ReadonlyMap<string, number>) => {
    const all = [...of.values()];
    return all.reduce((total, one) => total + one, 0) / Math.max(...all, 1e-300);
  };
  const count = { sound: countOf(left.sound), shows: countOf(left.shows), hidden: countOf(left.hidden) };
  return (way) => BEFOREHAND[classOf(way)] / Math.max(1, count[classOf(way)]) / way.among;
}

/** Whether something is wrong with the part itself: what an overload opens on shuts again. */
export const isOwn = (way: Way, slot: Slot): boolean => !way.isSound && way.slot === slot && !way.isHot;

/** A state that may last is never held to be rarer than this when a part is about to be condemned. */
const LASTING = 0.25;

/** How much more likely each state is once those that may last are held to be possible, however rare they are; logs. */
const raised = ({ states }: Episode): number[] =>
  states.map(({ weight, passes }) => (passes ? 0 : Math.log(Math.max(1, LASTING / weight))));

/** Chances of the states of an episode, held so. */
export function statesPossible(weighed: Weighed, e: number, by: readonly Float64Array[]): number[] {
  const more = raised(weighed.episodes[e]!);
  const all = by.map((ways, s) => total(ways) * Math.exp(more[s]!));
  const whole = total(all);
  return all.map((one) => one / whole);
}

/** How much more likely a way makes an episode once every state that may last is held to be possible, however rare it is. */
const raisedBy = ({ episodes, inState, inAny }: Weighed, e: number): Float64Array =>
  ofLogs(raisedKnown, inState[e]!, () => {
    const more = raised(episodes[e]!);
    return inAny[e]!.map((any, way) => Math.exp(logSumOver(inState[e]!, way, more) - any));
  });
const raisedKnown = new WeakMap<readonly Float64Array[], Float64Array>();

/**
 * Ways once every state that may last is held to be possible at every stop of the visit, since it may have lasted from one to the
 * next: at all stops but the one that is asked for, and there as well, which is what a part has to stand against.
 */
export function stillPossible(weighed: Weighed, e: number, ways: Float64Array) {
  const others = weighed.episodes.flatMap((_episode, i) => (i === e ? [] : [raisedBy(weighed, i)]));
  const here = raisedBy(weighed, e);
  const elsewhere = ways.map((chance, w) => others.reduce((left, by) => left * by[w]!, chance));
  return { elsewhere, everywhere: elsewhere.map((chance, w) => chance * here[w]!) };
}

/**
 * By how much more each way counts that shows nothing in the state that was meant, and reads just so in one that may last: another part
 * that is wired beside the one that is read, and whose wires may be on. 0 for all others.
 */
export function hiddenBehind(
  all: readonly Way[],
  weightOf: (way: Way) => number,
  shows: ReadonlySet<string>,
  samples: readonly Sample[],
  { states }: Episode,
  expected: Expected,
  slot: Slot,
): Float64Array {
  const perCause = (way: Way) => weightOf(way) * way.among;
  const own = Math.max(0, ...all.filter((way) => isOwn(way, slot) && shows.has(way.cause)).map(perCause));
  // Live, nothing hides so: what is wired beside a part has its own volts and amps.
  const isDead = samples.every(({ probe }) => probe.what === 'ohms');
  const lasting = isDead ? states.filter(({ passes, isMeant }) => !passes && !isMeant) : [];
  return Float64Array.from(all, (way, w) => {
    if (way.isSound || isOwn(way, slot) || shows.has(way.cause)) return 0;
    const readsSo = lasting.some(({ state }) =>
      samples.every((sample) => fits(sample.value, expected.shownBy(w, sample.probe, state), sample.probe, sample)),
    );
    return readsSo ? Math.max(0, own / perCause(way) - 1) : 0;
  });
}
