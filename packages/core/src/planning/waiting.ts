import type { Slot } from '../equipment/component.ts';
import type { SystemKind } from '../equipment/system-kind.ts';
import { CONSEQUENCE, servesIn } from '../judgment/urgency.ts';
import { DAYS_A_YEAR, type Day } from '../quantity/day.ts';
import { chanceOn, type Ahead } from '../series/ahead.ts';
import { severityOf, type Standing } from '../verdict/standing.ts';
import { seasonPart, type SeasonStarts } from './season-starts.ts';

/** What a part's outlook says of a wait. */
export interface PartWaiting {
  readonly slot: Slot;
  readonly standing: Standing;
  /** Chance, 0 to 1, of being past its limit by the next round, for whatever reason. */
  readonly chance: number;
  /** The same by its trends, from its last reading on. */
  readonly ahead: Ahead | null;
}

/** What a week more without a visit costs a system. */
export interface Waiting {
  /** Chance of a failure × what it costs then, summed; 1 is a compressor lost for certain at the height of its season. */
  readonly cost: number;
  /** Chance, 0 to 1, that any part fails in that week. */
  readonly chance: number;
  /** The part that most of the cost comes from, and its chance of being past its limit by then; null where none frays. */
  readonly most: { readonly slot: Slot; readonly past: number } | null;
}

/** Of parts past their limit so many fail within a week: half of them in about four months. From memory, no source. */
const FAILS_A_WEEK = 0.04;
/** What a failure costs outside the season a part serves: it is found at the first call. From memory, no source. */
const OUT_OF_SEASON = 0.15;
/** What it costs at the very beginning and end of its season, of what it costs at the height. From memory, no source. */
const AT_THE_EDGE = 0.5;
/** What no trend foretells: chance a year of a part having gone past its limit since its system was last seen. From memory, no source. */
const UNFORESEEN_A_YEAR = 0.01;
/** The week looked at is so many days ahead: who is not visited now is not visited tomorrow. Set on the evaluation's tuning firms. */
const LOOKED_AHEAD = 42;

/** What it costs on a day that a part has failed, of what it costs at the height of its season, 0 to 1. */
function missedOn(day: Day, slot: Slot, systemKind: SystemKind, starts: SeasonStarts): number {
  const { season, part } = seasonPart(day, starts);
  if (!servesIn(season, slot, systemKind)) return OUT_OF_SEASON;
  return AT_THE_EDGE + (1 - AT_THE_EDGE) * Math.sin(Math.PI * part);
}

/** What a failure costs on a day; 1 is a compressor lost at the height of its season. */
export const costOfFailing = (slot: Slot, systemKind: SystemKind, day: Day, starts: SeasonStarts): number =>
  CONSEQUENCE[slot] * missedOn(day, slot, systemKind, starts);

/** The chance, 0 to 1, that a part is past its limit on a day: by its trends, or by what was found of it. */
function pastOn({ standing, chance, ahead }: PartWaiting, day: Day): number {
  const byTrend = ahead ? chanceOn(ahead, day) : 0;
  const isSaid = severityOf(standing) >= severityOf('act') || ahead === null;
  return isSaid ? Math.max(byTrend, chance) : byTrend;
}

/** A system whose wait is weighed: its parts, and the day of its last round, null when it has had none. */
export interface SystemWaiting {
  readonly kind: SystemKind;
  readonly parts: readonly PartWaiting[];
  readonly lastRound: Day | null;
}

/** What a week more without a visit costs a system on a day: over its parts, the chance of failing then × what that costs then. */
export function waitingOn(day: Day, { kind, parts, lastRound }: SystemWaiting, starts: SeasonStarts): Waiting {
  const then = day + LOOKED_AHEAD;
  const unseen = lastRound === null ? 0 : Math.min(1, (UNFORESEEN_A_YEAR * (then - lastRound)) / DAYS_A_YEAR);
  let [cost, none, worst] = [0, 1, 0];
  let most: Waiting['most'] = null;
  for (const part of parts) {
    const past = 1 - (1 - pastOn(part, then)) * (1 - unseen);
    const costs = past * FAILS_A_WEEK * costOfFailing(part.slot, kind, then, starts);
    cost += costs;
    none *= 1 - past * FAILS_A_WEEK;
    if (costs > worst) [worst, most] = [costs, { slot: part.slot, past }];
  }
  return { cost, chance: 1 - none, most };
}
