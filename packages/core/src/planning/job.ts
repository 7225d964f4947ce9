import type { Slot } from '../equipment/component.ts';
import type { SystemKind } from '../equipment/system-kind.ts';
import { askOf } from '../judgment/asks.ts';
import { servesIn } from '../judgment/urgency.ts';
import type { Day } from '../quantity/day.ts';
import type { StopId } from '../readings/contract/entry.ts';
import { readingKind } from '../readings/registry.ts';
import { nextRoundAfter } from '../round/next-round.ts';
import type { Ask } from '../verdict/asks.ts';
import type { Policy } from '../verdict/policy.ts';
import type { Because } from '../verdict/reasons.ts';
import type { Standing } from '../verdict/standing.ts';
import { DUE_BECAUSE } from './round-due.ts';
import { seasonAt, type SeasonStarts } from './season-starts.ts';

/** What a job is there to do. */
export const JOB_DOES = [
  'make-safe',
  'replace',
  'repair',
  'clean',
  'adjust',
  'call-utility',
  'find-cause',
  'measure-again',
  'read',
  'finish',
  'propose',
  'round',
  'other',
] as const;
export type JobDoes = (typeof JOB_DOES)[number];

/** What a job must be done before: at once, within days, the first heat or frost, the next round, a day that was given; a round, why it is due. */
export const JOB_BEFORES = ['now', 'soon', 'heat', 'frost', 'round', 'day', ...DUE_BECAUSE] as const;
export type JobBefore = (typeof JOB_BEFORES)[number];

/** By when, and before what. */
export interface Due {
  readonly by: Day;
  readonly before: JobBefore;
}

/** What a job is worked out from: how a part stands, and the reading that leads it. */
export interface PartStands {
  readonly slot: Slot;
  readonly systemKind: SystemKind;
  readonly standing: Standing;
  /** Chance of being past its limit by the next round. */
  readonly chance: number;
  readonly because: Because;
  /** The kind of the reading that leads it, and that proves it put right. */
  readonly kind: string;
}

/** What a job's time is counted by. */
export interface Planning {
  readonly today: Day;
  readonly policy: Policy;
  readonly seasons: SeasonStarts;
}

/** From this chance on a part on watch is not left to the next round to look at. */
export const LIKELY = 0.5;
/** Reasons by which a part on watch can ask for more than a look at the next round; all others need that chance. */
export const TELLING_ON_WATCH = ['finding', 'against-window', 'against-rating', 'odd-point'] as const;
/** Days for what acts in the season it serves, and for what serves all year. */
const SOON = 7;

const DOES: Readonly<Partial<Record<Ask, JobDoes>>> = {
  'switch-off': 'make-safe',
  replace: 'replace',
  repair: 'repair',
  clean: 'clean',
  adjust: 'adjust',
  'call-utility': 'call-utility',
  'find-cause': 'find-cause',
  'measure-again': 'measure-again',
};

/** A capacitor wears by what it reads: one that will be past its limit is fitted anew, and no cause is looked for. */
const WEARS: ReadonlySet<Slot> = new Set(['run-capacitor', 'fan-capacitor', 'blower-capacitor']);

/** What a part asks somebody to come for; null where it can wait for the round. */
function doesFor(part: PartStands): JobDoes | null {
  const frays = part.because.code === 'trend' || part.because.code === 'trend-open';
  if (frays && (part.standing === 'act' || part.chance >= LIKELY))
    return WEARS.has(part.slot) ? 'replace' : 'measure-again';
  return DOES[askOf(part)] ?? null;
}

const COOLING_STOPS: ReadonlySet<StopId> = new Set(['cooling-air', 'cooling']);
const HEATING_STOPS: ReadonlySet<StopId> = new Set(['electric-heat', 'gas-heat', 'heating', 'defrost']);

/** The one season a kind of reading can be taken in, and so a repair be proved; null for what can be read all year. */
function seasonOfReading(id: string): 'cooling' | 'heating' | null {
  const stops = readingKind(id)?.methods.flatMap((method) => method.stops) ?? [];
  if (stops.length === 0) return null;
  if (stops.every((stop) => COOLING_STOPS.has(stop))) return 'cooling';
  return stops.every((stop) => HEATING_STOPS.has(stop)) ? 'heating' : null;
}

/** By when a part must be seen to: at once where it is unsafe, in days in the season it serves, else before that begins. */
function dueOf({ slot, systemKind, standing, kind }: PartStands, { today, policy, seasons }: Planning): Due {
  if (standing === 'stop') return { by: today, before: 'now' };
  if (standing === 'watch') return { by: nextRoundAfter(today, policy), before: 'round' };
  const { now, next } = seasonAt(today, seasons);
  const only = seasonOfReading(kind);
  const isItsSeason = only === null ? servesIn(now, slot, systemKind) : only === now;
  if (isItsSeason) return { by: today + SOON, before: 'soon' };
  return { by: next, before: now === 'cooling' ? 'frost' : 'heat' };
}

/** The job a part opens by how it stands; null where there is none. It closes by itself once the part stands otherwise. */
export function jobOfPart(part: PartStands, planning: Planning): (Due & { readonly does: JobDoes }) | null {
  if (part.standing === 'sound' || part.standing === 'unproven') return null;
  const does = doesFor(part);
  return does && { does, ...dueOf(part, planning) };
}

/** Ends of a call that leave something to do. */
export type LeftByCall = 'for-now' | 'proposed' | 'declined' | 'unsafe';
const AFTER_CALL: Readonly<Record<LeftByCall, JobDoes>> = {
  'for-now': 'finish',
  proposed: 'propose',
  declined: 'propose',
  unsafe: 'make-safe',
};
/** Days within which a proposal is come back for; common practice, no source. */
const PROPOSAL_WITHIN = 14;

/** What the end of a call of a day leaves to do, by when; `byWhen` is the day that was set, if any. */
export function jobOfCall(
  is: LeftByCall,
  { began, byWhen }: { readonly began: Day; readonly byWhen: Day | null },
  { today }: Pick<Planning, 'today'>,
): Due & { readonly does: JobDoes } {
  const does = AFTER_CALL[is];
  return does === 'make-safe'
    ? { does, by: today, before: 'now' }
    : { does, by: byWhen ?? began + PROPOSAL_WITHIN, before: 'day' };
}
