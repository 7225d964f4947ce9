import type { WireBack } from '../equipment/wires.ts';
import { textOfInput } from './field-entry.ts';
import type { FittedPart } from '../http/systems.ts';
import type { LooseEnd } from '../round/loose-ends.ts';
import type { Mode } from '../round/stops.ts';
import type { NewCall } from '../http/calls.ts';
import type { NewEvent } from '../http/events.ts';
import type { NewFollowUp } from '../http/rounds.ts';
import type { NewReading, NewRuling, ProbeWindow } from '../http/readings.ts';
import type { Season } from '../quantity/season.ts';
import type { InstrumentKind } from '../readings/contract/quantities.ts';
import type { StopId } from '../readings/contract/entry.ts';

/** A reading taken on this device. */
export interface LocalReading {
  readonly id: string;
  readonly reading: NewReading;
  /** What the entry came to, as checked here; the server works it out again. */
  readonly value: number | null;
  readonly findings: readonly string[];
  /** The server's reason for not taking it; it no longer counts then, but is not lost. */
  readonly refused?: string;
}

export interface LocalPart {
  readonly id: string;
  readonly fitted: FittedPart;
  readonly refused?: string;
}

export interface LocalFollowUp {
  readonly id: string;
  readonly followUp: NewFollowUp;
}

/** A verdict overruled on this device: of the reading with that id. */
export interface LocalRuling {
  readonly id: string;
  readonly ruling: NewRuling;
  /** Initials. */
  readonly by: string;
}

export interface LocalEvent {
  readonly id: string;
  readonly event: NewEvent;
}

/** Everything of one round that was done on this device, typed or taken. */
export interface RoundRecord {
  readonly visitId: string;
  readonly systemId: string;
  /** UTC. */
  readonly startedAt: string;
  readonly closedAt: string | null;
  readonly note: string;
  /** Outdoor air as typed, °F. */
  readonly outdoorText: string;
  /** Texts in fields that are not taken yet: by place, then by input. */
  readonly drafts: Readonly<Record<string, Readonly<Record<string, string>>>>;
  readonly readings: readonly LocalReading[];
  readonly parts: readonly LocalPart[];
  /** Which half of the year's work it is; null when it goes by the date. */
  readonly season: Season | null;
  /** Whether the other half's stops are worked on this visit as well. */
  readonly bothSeasons: boolean;
  /** When the machine began to run in each mode, UTC. */
  readonly runningSince: Readonly<Partial<Record<Mode, string>>>;
  /** Stops whose instructions were followed. */
  readonly begun: readonly StopId[];
  readonly looseEnds: readonly LooseEnd[];
  readonly followUps: readonly LocalFollowUp[];
  /** Repairs and changes noted on this round. */
  readonly events: readonly LocalEvent[];
  /** Verdicts overruled on this round, the latest of each reading. */
  readonly rulings: readonly LocalRuling[];
  /** Why a repair was left without its proof, by the repair's id. */
  readonly unproved: Readonly<Record<string, string>>;
  /** Instruments picked for this round in place of the person's own, by kind. */
  readonly instruments: Readonly<Partial<Record<InstrumentKind, string>>>;
  /** Instruments held against something known on this round. */
  readonly checked: readonly string[];
  /** Wires noted on this round, by the name of the part. */
  readonly wires: Readonly<Record<string, readonly WireBack[]>>;
  /** What it is about, where the visit is a call or became one. */
  readonly call: NewCall | null;
  /** What the probes' values in the drafts were taken from: by place, then by input. */
  readonly probes: Readonly<Record<string, Readonly<Record<string, ProbeWindow>>>>;
}

/** The name of a field: where on which part, and by which method. */
export const placeKey = (place: { componentId: string; kind: string; point: string; method: string }): string =>
  `${place.componentId}/${place.kind}/${place.point}/${place.method}`;

/** A round as it begins: nothing typed, taken or opened yet. */
export const newRound = (
  visitId: string,
  systemId: string,
  startedAt: string,
  season: Season | null = null,
): RoundRecord => ({
  visitId,
  systemId,
  startedAt,
  closedAt: null,
  note: '',
  outdoorText: '',
  drafts: {},
  readings: [],
  parts: [],
  season,
  bothSeasons: false,
  runningSince: {},
  begun: [],
  looseEnds: [],
  followUps: [],
  events: [],
  rulings: [],
  unproved: {},
  instruments: {},
  checked: [],
  wires: {},
  call: null,
  probes: {},
});

/** A record as this version knows it, from one that an earlier version kept on the device. */
export const completed = (kept: RoundRecord): RoundRecord => ({
  ...newRound(kept.visitId, kept.systemId, kept.startedAt),
  ...kept,
  ...seasonNow(kept),
  readings: kept.readings.map((one: Before) => ({ ...one, findings: one.findings ?? findingsBefore(one) })),
});

/** The fall was kept by another name before. */
const seasonNow = ({ season }: { season?: string | null }): { season?: 'fall' } =>
  season === 'autumn' ? { season: 'fall' } : {};

/** A reading as any version has kept it. */
type Before = Omit<LocalReading, 'findings'> & { findings?: readonly string[]; finding?: string | null };

/** Findings were one text joined by commas, before they were a list. */
const findingsBefore = ({ finding }: Before): string[] => finding?.split(',') ?? [];

/** The record with the wires of a part noted, by its name. */
export const withWires = (record: RoundRecord, on: string, wires: readonly WireBack[]): RoundRecord => ({
  ...record,
  wires: { ...record.wires, [on]: wires },
});

/** The record with a text typed into one input of a field; what a probe said of it no longer holds. */
export function withText(record: RoundRecord, key: string, input: string, text: string): RoundRecord {
  const { [input]: _window, ...windows } = record.probes[key] ?? {};
  return {
    ...record,
    drafts: { ...record.drafts, [key]: { ...record.drafts[key], [input]: text } },
    probes: { ...record.probes, [key]: windows },
  };
}

/** The record with the values taken from probes in a field's inputs. */
export const withProbes = (
  record: RoundRecord,
  key: string,
  texts: Readonly<Record<string, string>>,
  windows: Readonly<Record<string, ProbeWindow>>,
): RoundRecord => ({
  ...record,
  drafts: { ...record.drafts, [key]: { ...record.drafts[key], ...texts } },
  probes: { ...record.probes, [key]: { ...record.probes[key], ...windows } },
});

/** The record with a reading taken, and its field's draft gone. */
export function withReading(record: RoundRecord, key: string, taken: LocalReading): RoundRecord {
  const { [key]: _taken, ...drafts } = record.drafts;
  const { [key]: _windows, ...probes } = record.probes;
  return { ...record, drafts, probes, readings: [...record.readings, taken] };
}

/** The record without the draft of a field. */
export function withoutDraft(record: RoundRecord, key: string): RoundRecord {
  const { [key]: _dropped, ...drafts } = record.drafts;
  return { ...record, drafts };
}

/** The record with a part fitted. */
export const withPart = (record: RoundRecord, part: LocalPart): RoundRecord => ({
  ...record,
  parts: [...record.parts, part],
});

/** The record with the server's refusal noted at what it refused. */
export const withRefusal = (record: RoundRecord, id: string, why: string): RoundRecord => ({
  ...record,
  readings: record.readings.map((r) => (r.id === id ? { ...r, refused: why } : r)),
  parts: record.parts.map((p) => (p.id === id ? { ...p, refused: why } : p)),
  // A close that the office would not take leaves the round open, so that what it says can be put right.
  closedAt: id === `${record.visitId}/closing` ? null : record.closedAt,
});

/** The record with what was refused counting again, since it is sent once more. */
export const withoutRefusal = (record: RoundRecord, id: string): RoundRecord => {
  const again = <T extends { id: string; refused?: string }>(one: T): T => {
    if (one.id !== id) return one;
    const { refused: _refused, ...rest } = one;
    return rest as T;
  };
  return { ...record, readings: record.readings.map(again), parts: record.parts.map(again) };
};

/** The name under which a ruling is sent: the reading it is of goes by its own. */
export const rulingName = (readingId: string): string => `${readingId}/ruling`;

/** The record without what was refused and taken back: a reading, a part, or what stands beside them. */
export const withoutEntry = (record: RoundRecord, id: string): RoundRecord => ({
  ...record,
  readings: record.readings.filter((r) => r.id !== id),
  parts: record.parts.filter((p) => p.id !== id),
  looseEnds: record.looseEnds.filter((e) => e.id !== id),
  followUps: record.followUps.filter((f) => f.id !== id),
  events: record.events.filter((e) => e.id !== id),
  rulings: record.rulings.filter((r) => rulingName(r.id) !== id),
});

/** The record with an entry as another state of it has it: undoes withoutEntry. */
export function withEntryOf(record: RoundRecord, other: RoundRecord, id: string): RoundRecord {
  const joined = <T extends { id: string }>(here: readonly T[], there: readonly T[]): readonly T[] => [
    ...here.filter((one) => one.id !== id),
    ...there.filter((one) => one.id === id),
  ];
  return {
    ...record,
    readings: joined(record.readings, other.readings),
    parts: joined(record.parts, other.parts),
    looseEnds: joined(record.looseEnds, other.looseEnds),
    followUps: joined(record.followUps, other.followUps),
    events: joined(record.events, other.events),
    rulings: [
      ...record.rulings.filter((r) => rulingName(r.id) !== id),
      ...other.rulings.filter((r) => rulingName(r.id) === id),
    ],
  };
}

/** The record with a refused reading back in its field as it was typed. */
export function withTypedAgain(record: RoundRecord, id: string): RoundRecord {
  const one = record.readings.find((r) => r.id === id);
  if (!one) return record;
  const texts = Object.fromEntries(
    Object.entries(one.reading.inputs).map(([input, value]) => [input, textOfInput(value)]),
  );
  const key = placeKey(one.reading);
  return { ...withoutEntry(record, id), drafts: { ...record.drafts, [key]: { ...texts, ...record.drafts[key] } } };
}

/** The record with a loose end as it now stands. */
export const withLooseEnd = (record: RoundRecord, end: LooseEnd): RoundRecord => ({
  ...record,
  looseEnds: record.looseEnds.some((e) => e.id === end.id)
    ? record.looseEnds.map((e) => (e.id === end.id ? end : e))
    : [...record.looseEnds, end],
});

/** The record with a repair as it now stands. */
export const withEvent = (record: RoundRecord, next: LocalEvent): RoundRecord => ({
  ...record,
  events: [...record.events.filter((e) => e.id !== next.id), next],
});

/** The record with a verdict overruled, or no longer. */
export const withRuling = (record: RoundRecord, next: LocalRuling): RoundRecord => ({
  ...record,
  rulings: [...record.rulings.filter((r) => r.id !== next.id), next],
});

/** The record with a follow-up as it now stands. */
export const withFollowUp = (record: RoundRecord, next: LocalFollowUp): RoundRecord => ({
  ...record,
  followUps: [...record.followUps.filter((f) => f.id !== next.id), next],
});
