import type { FittedPart, NewReading } from '@yarnix/core';

/** A reading taken on this device. */
export interface LocalReading {
  readonly id: string;
  readonly reading: NewReading;
  /** What the entry came to, as checked here; the server works it out again. */
  readonly value: number | null;
  readonly finding: string | null;
  /** The server's reason for not taking it; it no longer counts then, but is not lost. */
  readonly refused?: string;
}

export interface LocalPart {
  readonly id: string;
  readonly fitted: FittedPart;
  readonly refused?: string;
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
}

/** The name of a field: where on which part, and by which method. */
export const placeKey = (place: { componentId: string; kind: string; point: string; method: string }): string =>
  `${place.componentId}/${place.kind}/${place.point}/${place.method}`;

export const newRound = (visitId: string, systemId: string, startedAt: string): RoundRecord => ({
  visitId,
  systemId,
  startedAt,
  closedAt: null,
  note: '',
  outdoorText: '',
  drafts: {},
  readings: [],
  parts: [],
});

/** The record with a text typed into one input of a field. */
export const withText = (record: RoundRecord, key: string, input: string, text: string): RoundRecord => ({
  ...record,
  drafts: { ...record.drafts, [key]: { ...record.drafts[key], [input]: text } },
});

/** The record with a reading taken, and its field's draft gone. */
export function withReading(record: RoundRecord, key: string, taken: LocalReading): RoundRecord {
  const { [key]: _taken, ...drafts } = record.drafts;
  return { ...record, drafts, readings: [...record.readings, taken] };
}

/** The record without the draft of a field. */
export function withoutDraft(record: RoundRecord, key: string): RoundRecord {
  const { [key]: _dropped, ...drafts } = record.drafts;
  return { ...record, drafts };
}

export const withPart = (record: RoundRecord, part: LocalPart): RoundRecord => ({
  ...record,
  parts: [...record.parts, part],
});

/** The record with the server's refusal noted at what it refused. */
export const withRefusal = (record: RoundRecord, id: string, why: string): RoundRecord => ({
  ...record,
  readings: record.readings.map((r) => (r.id === id ? { ...r, refused: why } : r)),
  parts: record.parts.map((p) => (p.id === id ? { ...p, refused: why } : p)),
});
