import type { Day } from '../quantity/day.ts';
import { nextRoundAfter } from '../round/next-round.ts';
import type { Policy } from '../verdict/policy.ts';
import type { Waiting } from './waiting.ts';

/** No system is left longer than this between rounds, whatever its outlooks say, days. */
const LONGEST_WAIT = 380;
/** Nor is one come back to sooner than this for a round, days. */
const SOONEST_BACK = 60;

/** Why a system's round is due: left long, by the firm's months, or sooner than these because it frays. */
export const DUE_BECAUSE = ['left-long', 'months', 'frays'] as const;
export type DueBecause = (typeof DUE_BECAUSE)[number];

/** A system between its rounds. */
export interface BetweenRounds {
  /** The day of its last round; null when it has had none. */
  readonly lastRound: Day | null;
  readonly waiting: Waiting;
}

/** From this cost of a week on, a round is worth coming for ahead of the firm's months: a capacitor on edge in its season. */
const FRAYS_FROM = 0.004;

/** Whether a system's round is due on a day, and why; null while it is not. */
export function dueBecause({ lastRound, waiting }: BetweenRounds, day: Day, policy: Policy): DueBecause | null {
  if (lastRound === null || day - lastRound >= LONGEST_WAIT) return 'left-long';
  if (day - lastRound < SOONEST_BACK) return null;
  if (nextRoundAfter(lastRound, policy) <= day) return 'months';
  return waiting.cost >= FRAYS_FROM ? 'frays' : null;
}

/** Within so many days a round that frays asks for is made. */
const FRAYS_WITHIN = 28;

/** By when a round that is due is to be made: at once where it was left long, else by the day the months set, or soon. */
export function roundBy(because: DueBecause, lastRound: Day | null, day: Day, policy: Policy): Day {
  if (because === 'left-long' || lastRound === null) return day;
  return because === 'months' ? nextRoundAfter(lastRound, policy) : day + FRAYS_WITHIN;
}

/** Which of two systems is gone to first: who was left too long, then whose wait costs more, then who has waited longer. */
export function byUrgencyOfRound(day: Day): (a: BetweenRounds, b: BetweenRounds) => number {
  const waited = ({ lastRound }: BetweenRounds): number => (lastRound === null ? Infinity : day - lastRound);
  return (a, b) => {
    const [left, right] = [waited(a) >= LONGEST_WAIT, waited(b) >= LONGEST_WAIT];
    if (left !== right) return left ? -1 : 1;
    const [first, second] = [waited(b), waited(a)];
    return b.waiting.cost - a.waiting.cost || (first === second ? 0 : first - second);
  };
}
