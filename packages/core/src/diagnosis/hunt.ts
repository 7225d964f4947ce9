import type { ByWay } from './chances.ts';
import { comesAndGoes } from './comes-and-goes.ts';
import type { Ground } from './ground.ts';
import { ranked, weighedTests, worth, type Offer } from './offers.ts';
import { pairsAsked } from './pairs.ts';
import { showsNot, standingOf, type Standing } from './proof.ts';
import { safeFirst } from './safe-first.ts';
import { isInWeather } from './weather.ts';
import { weighed, type HuntAsked } from './weigh.ts';

/** A hunt as it stands: the chances of its causes, what to test next, and whether it is over. */
export interface Hunt {
  readonly ground: Ground;
  /** By cause of the ground. */
  readonly chances: readonly number[];
  readonly byWay: ByWay;
  readonly offers: readonly Offer[];
  readonly standing: Standing;
}

/** How often each of some tests was answered, or put off as one that could not be taken. */
const timesIn = (tests: readonly string[]): Map<string, number> =>
  tests.reduce((times, id) => times.set(id, (times.get(id) ?? 0) + 1), new Map<string, number>());
const often = (times: ReadonlyMap<string, number>, most: number): string[] =>
  [...times].filter(([, n]) => n > most).map(([id]) => id);

/** How many times as much as anything else a test must tell for its trouble to be asked for again at once. */
const MISSED = 6;

/** Whether what could not be taken is missed: it would prove what nothing else does, or tells far more than all else. */
function isMissed([first]: readonly Offer[], [other]: readonly Offer[], putOff: ReadonlyMap<string, number>): boolean {
  if (!first || !other || !putOff.has(first.test.id)) return false;
  return (first.proves && !other.proves) || worth(first) > MISSED * worth(other);
}

/** Bits that reading the same once more must tell at least. */
const TELLS_AGAIN = 0.08;

/**
 * Where a hunt stands after what was observed. Nothing is kept between calls: take an answer back, and ask again. What could
 * not be taken is offered once more when nothing else tells, or far less than it would; so is what was answered, where the fault
 * comes and goes or where it would decide. What the weather keeps from telling anything is not offered.
 */
export function hunt(steady: Ground, asked: HuntAsked): Hunt {
  const listed = asked.atTimes ? comesAndGoes(steady) : steady;
  const first = weighed(listed, asked);
  const ground = listed.with(pairsAsked(first));
  const now = ground === listed ? first : weighed(ground, asked);
  const answered = timesIn(asked.observations.map(({ test }) => test));
  const putOff = timesIn(asked.skipped ?? []);
  const inWeather = [...ground.tests.values()].filter((test) => isInWeather(test, asked.outdoorF));
  const { first: before, holds } = safeFirst(asked.complaints, inWeather, asked.observations, asked.skipped);
  const may = inWeather.filter((test) => !holds(test) || before.has(test.id));
  const all = weighedTests(now, asked.standpoint, may);
  // What comes and goes may show the second time: then a test that was answered is one that can be asked again, too.
  const offersWith = (more: number, twice = asked.atTimes === true): Offer[] => {
    const done = new Set([...often(answered, twice ? more : 0), ...often(putOff, more)]);
    return ranked(
      all.filter(({ test }) => !done.has(test.id)),
      before,
    );
  };
  const fresh = offersWith(0);
  const again = putOff.size > 0 || (asked.atTimes && answered.size > 0);
  const withLater = again ? offersWith(1) : fresh;
  const others = fresh.length > 0 && !isMissed(withLater, fresh, putOff) ? fresh : withLater;
  const undecided = (): boolean => standingOf(now, true).is === 'undecided';
  // A slip cannot be told from a fault by one reading: what has nothing left to be told by is read once more.
  const offers =
    others.length > 0 || asked.atTimes || answered.size === 0 || !undecided()
      ? others
      : offersWith(1, true).filter(({ tells }) => tells > TELLS_AGAIN);
  const away =
    asked.atTimes === true &&
    showsNot(
      now,
      fresh.map(({ tells }) => tells),
    );
  const standing: Standing = away ? { is: 'nothing-found' } : standingOf(now, offers.length === 0);
  return { ground, chances: now.chances, byWay: now.byWay, offers, standing };
}
