import { tellsOf } from './chances.ts';
import { NO_FAULT } from './complaint-shares.ts';
import { minutesOf, type Standpoint } from './costs.ts';
import { isAt, PROVED, TELLS_APART } from './proof.ts';
import type { Test } from './test-shape.ts';
import { meanOver, type Weighed } from './weigh.ts';

/** The least a test must tell to be offered, bits. */
const TELLS_LITTLE = 0.004;

/** A test that can be taken next. */
export interface Offer {
  readonly test: Test;
  /** Bits. */
  readonly tells: number;
  /** Minutes, with the way there and what must be switched. */
  readonly minutes: number;
  /** Whether it would bear the likeliest cause out, which is all that is left to do. */
  readonly proves: boolean;
}

/** Minutes that live work counts for besides its own; what may go wrong is not paid in time. */
const LIVE_COUNTS = 2.5;
const trouble = ({ test, minutes }: Offer): number => minutes + (test.power === 'live' ? LIVE_COUNTS : 0);
/** Bits a minute of trouble. */
export const worth = (offer: Offer): number => offer.tells / trouble(offer);

/** A live test stands behind one with power off that tells as much. */
function safestFirst(offers: readonly Offer[]): Offer[] {
  const [first] = offers;
  if (first?.test.power !== 'live') return [...offers];
  const dead = offers.find(({ test, tells }) => test.power !== 'live' && tells >= first.tells);
  return dead ? [dead, ...offers.filter((o) => o !== dead)] : [...offers];
}

/** Whether a measurement would bear the likeliest cause out: a sound machine would have answered it otherwise. */
function provesLeader({ ground, byWay, chances }: Weighed): (test: Test) => boolean {
  const leader = chances.indexOf(Math.max(...chances));
  const cause = ground.causes[leader];
  const sound = ground.causes.findIndex(({ id }) => id === NO_FAULT);
  if (!cause || cause.faults.length === 0 || (chances[leader] ?? 0) < PROVED) return () => false;
  return (test) => {
    if (!isAt(cause, test)) return false;
    const { answers, chances: rows } = ground.expect(test);
    const under = (answer: number) => (rows[leader] ?? []).map((row) => row[answer] ?? 0);
    const likely = answers.map((_, answer) => meanOver(under(answer), byWay[leader] ?? []));
    const most = likely.indexOf(Math.max(...likely));
    // That nothing can be read is no proof of anything.
    return answers[most]?.id !== 'idle' && (likely[most] ?? 0) > TELLS_APART * (rows[sound]?.[0]?.[most] ?? 0);
  };
}

/** Tests weighed as they would be taken from where one stands. */
export function weighedTests(now: Weighed, standpoint: Standpoint, tests: readonly Test[]): Offer[] {
  const proves = provesLeader(now);
  return tests.map((test) => ({
    test,
    tells: tellsOf(now.ground.expect(test), now.byWay),
    minutes: minutesOf(test, standpoint),
    proves: proves(test),
  }));
}

/**
 * Offers in the order they are made: what safety wants first (`before`, by id), however little it tells. Then, where one cause is
 * likely enough, those that would bear it out, by their trouble; then those that tell most for it.
 */
export function ranked(all: readonly Offer[], before: ReadonlySet<string> = new Set()): Offer[] {
  const safe = all.filter(({ test }) => before.has(test.id)).sort((a, b) => worth(b) - worth(a));
  const offers = all.filter(({ test }) => !before.has(test.id));
  const proving = offers.filter(({ proves }) => proves).sort((a, b) => trouble(a) - trouble(b));
  const telling = offers
    .filter(({ proves, tells }) => !proves && tells > TELLS_LITTLE)
    .sort((a, b) => worth(b) - worth(a) || (a.test.id < b.test.id ? -1 : 1));
  return [...safe, ...safestFirst(proving), ...safestFirst(telling)];
}
