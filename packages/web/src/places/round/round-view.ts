import type {
  About,
  Conditions,
  Day,
  EntryCheck,
  FleetPrior,
  FollowUpView,
  InlineThreadData,
  Inputs,
  PlannedReading,
  Policy,
  PressureTables,
  Season,
  Stop,
  SystemEvent,
  Verdict,
} from '@yarnix/core';
import type { LocalFollowUp } from '../../field/round-record.ts';
import type { RoundComponent, RoundReading } from './round-parts.ts';

/** One field of a round as it stands: what was typed, what it comes to, and how it is judged. */
export interface RoundField {
  readonly key: string;
  readonly planned: PlannedReading<RoundComponent>;
  readonly about: About;
  /** Text in each input, typed or taken. */
  readonly texts: Readonly<Record<string, string>>;
  readonly status: 'empty' | 'unfinished' | 'refused' | 'questioned' | 'ready' | 'taken' | 'put-off';
  /** What holds for this reading now. */
  readonly conditions: Conditions;
  /** The entry when all is as it should be, while nothing has been entered. */
  readonly usual: Inputs | null;
  /** Why it was put off on this round. */
  readonly followUp: LocalFollowUp | null;
  /** Put off on an earlier visit and not taken since. */
  readonly owed: FollowUpView | null;
  /** Sentences at the field: why it is refused, or what is asked. */
  readonly sentences: readonly string[];
  /** The input the sentence belongs to, when it belongs to one. */
  readonly badInput: string | null;
  /** A plausible value for a slipped decimal point, ready to be put in. */
  readonly perhaps: number | null;
  readonly verdict: Verdict | null;
  readonly thread: InlineThreadData;
  /** Earlier numbers of the thread, latest first. */
  readonly before: readonly { readonly value: number; readonly day: Day; readonly method: string }[];
  readonly entry: { readonly inputs: Inputs; readonly check: Exclude<EntryCheck, { outcome: 'refused' }> } | null;
  /** The reading of this field taken on this visit, if any. */
  readonly taken: RoundReading | null;
}

export interface RoundStop extends Omit<Stop<RoundComponent>, 'readings'> {
  readonly fields: readonly RoundField[];
  /** Minutes the machine has run in this stop's mode; null when nobody said it began. */
  readonly runningMin: number | null;
}

export interface RoundView {
  readonly stops: readonly RoundStop[];
  readonly conditions: Conditions;
  readonly outdoorProblem: string | null;
  readonly components: readonly RoundComponent[];
  /** Everything that counts: from the server and from this device. */
  readonly readings: readonly RoundReading[];
  readonly nextRound: Day;
  /** The firm's, by which everything here is judged. */
  readonly policy: Policy;
  readonly prior: FleetPrior | undefined;
  /** What was done to the system, on this round and before. */
  readonly events: readonly SystemEvent[];
  readonly season: Season;
  readonly tables: PressureTables;
}
