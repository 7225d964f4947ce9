import type { AtHand, ByKind } from './read-with.ts';
import type { Assessment } from '../judgment/assess-system.ts';
import type { Because, Refusal } from '../verdict/reasons.ts';
import type { OutdoorProblem } from './visit-conditions.ts';
import type { About, Inputs } from '../readings/contract/entry.ts';
import type { Slot } from '../equipment/component.ts';
import type { Conditions } from '../readings/contract/conditions.ts';
import type { Day } from '../quantity/day.ts';
import type { EntryCheck, Meant } from '../readings/check-entry.ts';
import type { FleetPrior } from '../series/drift-prior.ts';
import type { FollowUpView } from '../http/rounds.ts';
import type { InlineThreadData } from '../judgment/inline-thread.ts';
import type { PlannedReading, Stop } from '../round/plan-round.ts';
import type { Policy } from '../verdict/policy.ts';
import type { PressureTables } from '../trade/refrigerant/pressure-table.ts';
import type { Season } from '../quantity/season.ts';
import type { SystemEvent } from '../judgment/events.ts';
import type { Verdict } from '../judgment/judge.ts';
import type { Repair } from './repairs.ts';
import type { LocalFollowUp } from './round-record.ts';
import type { RoundComponent, RoundReading } from './round-parts.ts';

/** One field of a round as it stands: what was typed, what it comes to, and how it is judged. */
export interface RoundField {
  readonly key: string;
  readonly planned: PlannedReading<RoundComponent>;
  readonly about: About;
  /** Text in each input, typed or taken. */
  readonly texts: Readonly<Record<string, string>>;
  /** What is typed and not taken yet, and whether it may be taken. */
  readonly typed: 'nothing' | 'unfinished' | 'refused' | 'questioned' | 'ready';
  /** What has become of the reading on this round, whatever is typed over it. */
  readonly state: 'open' | 'taken' | 'put-off';
  /** The instruments it is taken with, as far as they are kept. */
  readonly readWith: ByKind;
  /** What holds for this reading now. */
  readonly conditions: Conditions;
  /** The entry when all is as it should be, while nothing has been entered. */
  readonly usual: Inputs | null;
  /** Why it was put off on this round. */
  readonly followUp: LocalFollowUp | null;
  /** Put off on an earlier visit and not taken since. */
  readonly owed: FollowUpView | null;
  /** Why it is refused, or what is asked; see words/field.ts. */
  readonly told: FieldTold;
  /** The input what is told belongs to, when it belongs to one. */
  readonly badInput: string | null;
  /** The input whose decimal point may have slipped, ready to be put in. */
  readonly perhaps: Meant | null;
  readonly verdict: Verdict | null;
  readonly thread: InlineThreadData;
  /** Earlier numbers of the thread, latest first. */
  readonly before: readonly { readonly value: number; readonly day: Day; readonly method: string }[];
  readonly entry: { readonly inputs: Inputs; readonly check: Exclude<EntryCheck, { outcome: 'refused' }> } | null;
  /** The reading of this field taken on this visit, if any. */
  readonly taken: RoundReading | null;
  /** What was done since it was taken that may have moved it: read again, it is no correction. */
  readonly again: Repair | null;
}

/** What stands against a field, as data. */
export interface FieldTold {
  readonly refusal: Refusal | null;
  readonly questions: readonly Because[];
  /** What the office would not take there, and why. */
  readonly notTaken: { readonly entered: string; readonly why: string } | null;
}

/** Whether nothing stands in the way of leaving a field: it is taken or put off, and nothing else is typed over it. */
export const isDone = (field: Pick<RoundField, 'typed' | 'state'>): boolean =>
  field.state !== 'open' && field.typed === 'nothing';
/** Whether a reading stands there, with nothing typed over it. */
export const isTaken = (field: Pick<RoundField, 'typed' | 'state'>): boolean =>
  field.state === 'taken' && field.typed === 'nothing';
export interface RoundStop extends Omit<Stop<RoundComponent>, 'readings'> {
  readonly fields: readonly RoundField[];
  /** Minutes the machine has run in this stop's mode; null when nobody said it began. */
  readonly runningMin: number | null;
}

export interface RoundView {
  readonly stops: readonly RoundStop[];
  readonly conditions: Conditions;
  readonly outdoorProblem: OutdoorProblem | null;
  readonly components: readonly RoundComponent[];
  /** Everything that counts: from the server and from this device. */
  readonly readings: readonly RoundReading[];
  readonly nextRound: Day;
  /** Every part as it stands with this round's readings; worked out when it is asked for. */
  readonly assessment: Assessment<RoundReading, RoundComponent>;
  /** The firm's, by which everything here is judged. */
  readonly policy: Policy;
  readonly prior: FleetPrior | undefined;
  /** What was done on this round that readings can prove. */
  readonly repairs: readonly Repair[];
  /** What was done to the system, on this round and before. */
  readonly events: readonly SystemEvent[];
  readonly season: Season;
  readonly atHand: AtHand;
  readonly tables: PressureTables;
  /**
   * The field of any reading the machine has a place for, planned or not; null where it has none. `anew`: to be read once more,
   * as if nothing were there, so that what was read before stays beside it.
   */
  readonly fieldAt: (at: FieldPlace, anew?: boolean) => RoundField | null;
}

/** Where a field is, by the names of its part and its reading. */
export interface FieldPlace {
  readonly slot: Slot;
  readonly kind: string;
  readonly point: string;
  readonly method: string;
}

/** One field of a round with where it stands. */
export interface FieldAt {
  readonly stop: RoundStop;
  readonly field: RoundField;
  readonly index: number;
}

/** Readings that were neither taken nor put off; those nobody misses are left out. */
export function missingFields(stops: readonly RoundStop[]): FieldAt[] {
  const all = stops.flatMap((stop) => stop.fields.map((field, index) => ({ stop, field, index })));
  // Another way of taking the same reading makes this one unneeded.
  const has = ({ planned: p }: RoundField) =>
    all.some(
      ({ field: o }) =>
        isTaken(o) &&
        o.planned.method.settles !== false &&
        o.planned.kind === p.kind &&
        o.planned.point === p.point &&
        o.planned.component === p.component,
    );
  // What is worked out from readings that were put off is not missed by itself.
  const isBare = (f: RoundField) => f.planned.method.inputs.length === 0 && f.entry === null;
  const isTyped = (f: RoundField) => f.typed !== 'nothing' && f.planned.method.inputs.length > 0;
  return all.filter(
    ({ field }) =>
      !isDone(field) && (isTyped(field) || (!field.planned.method.optional && !isBare(field) && !has(field))),
  );
}
