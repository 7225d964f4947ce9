import type { NewReading } from '../http/readings.ts';
import { dayAt } from '../quantity/day-in.ts';
import { isoOf } from '../quantity/day.ts';
import { checkEntry, type EntryCheck } from '../readings/check-entry.ts';
import type { Inputs } from '../readings/contract/entry.ts';
import { isLoose, type LooseEnd } from '../round/loose-ends.ts';
import { PUT_OFF_REASONS, type PutOffReason } from '../round/put-off.ts';
import { isSameEntry } from './field-entry.ts';
import { withText, type LocalFollowUp, type LocalReading, type RoundRecord } from './round-record.ts';
import type { RoundReading } from './round-parts.ts';
import { isTaken, type RoundField, type RoundStop } from './round-view.ts';

/** What a transition is given from outside: the moment, UTC, and an id for what it makes. */
export interface Given {
  readonly now: string;
  readonly id: string;
}

/** The record with a text typed into an input. Typing into a taken field starts from what was taken, so that its other inputs stay. */
export function typedInto(record: RoundRecord, field: RoundField, input: string, text: string): RoundRecord {
  const started = record.drafts[field.key]
    ? record
    : { ...record, drafts: { ...record.drafts, [field.key]: field.texts } };
  return withText(started, field.key, input, text);
}

type Accepted = Exclude<EntryCheck, { outcome: 'refused' }>;

function readingOf(
  record: RoundRecord,
  { planned, key, conditions, taken, again, readWith }: RoundField,
  { inputs, check }: { inputs: Inputs; check: Accepted },
  confirmed: boolean,
  { now, id }: Given,
): LocalReading {
  const probes = record.probes[key];
  const reading: NewReading = {
    visitId: record.visitId,
    componentId: planned.component.id,
    kind: planned.kind.id,
    point: planned.point,
    method: planned.method.id,
    inputs: { ...inputs } as NewReading['inputs'],
    takenAt: now,
    conditions,
    confirmed,
    ...(Object.keys(readWith).length > 0 ? { instruments: readWith } : {}),
    ...(probes && Object.keys(probes).length > 0 ? { probes } : {}),
    // After a repair the second reading is no correction of the first: both stay, and prove it together.
    ...(taken && !again ? { supersedes: taken.id } : {}),
  };
  return { id, reading, value: check.value, findings: check.findings };
}

/** What comes of taking a field: nothing stands there to take, it stood so already, or a reading. */
export type Taking =
  | { readonly outcome: 'not-yet' }
  | { readonly outcome: 'as-before' }
  | { readonly outcome: 'taken'; readonly reading: LocalReading };

/**
 * Takes what is in a field, if it can be taken: ready, or questioned and confirmed. Typing the same again changes
 * nothing; something else supersedes what was taken before.
 */
export function takeField(record: RoundRecord, field: RoundField, confirmed: boolean, given: Given): Taking {
  if (isTaken(field)) return { outcome: 'as-before' };
  if (!field.entry) return { outcome: 'not-yet' };
  if (field.taken && !field.again && isSameEntry(field.planned, field.taken.inputs, field.entry.inputs))
    return { outcome: 'as-before' };
  if (field.typed === 'questioned' && !confirmed) return { outcome: 'not-yet' };
  return { outcome: 'taken', reading: readingOf(record, field, field.entry, confirmed, given) };
}

/**
 * Takes what is in a field once more, or for the first time, now that whoever reads has seen the machine in the state the reading
 * is for: called, with its power, delays over.
 */
export function takeAsMeant(record: RoundRecord, field: RoundField, given: Given): Taking {
  if (!field.entry || field.typed === 'questioned') return { outcome: 'not-yet' };
  if (field.taken?.conditions?.asMeant && field.typed === 'nothing') return { outcome: 'as-before' };
  const seen = { ...field, conditions: { ...field.conditions, asMeant: true as const } };
  return { outcome: 'taken', reading: readingOf(record, seen, field.entry, false, given) };
}

/** Takes a whole entry at once: what is usual, a choice, or what the probes settled at. */
export function takeEntry(record: RoundRecord, field: RoundField, inputs: Inputs, given: Given): Taking {
  const { kind, method } = field.planned;
  if (field.taken && !field.again && isSameEntry(field.planned, field.taken.inputs, inputs))
    return { outcome: 'as-before' };
  const check = checkEntry(kind, method, inputs, field.about);
  if (check.outcome === 'refused') return { outcome: 'not-yet' };
  const confirmed = check.outcome === 'questioned';
  return { outcome: 'taken', reading: readingOf(record, field, { inputs: check.inputs, check }, confirmed, given) };
}

/** A taken reading with a note beside it: the same figures of the same moment, in the place of the one without. */
export const notedReading = (
  record: Pick<RoundRecord, 'visitId'>,
  taken: RoundReading,
  note: string,
  id: string,
): LocalReading => ({
  id,
  value: taken.value,
  findings: taken.findings,
  reading: {
    visitId: record.visitId,
    componentId: taken.componentId,
    kind: taken.kind,
    point: taken.point,
    method: taken.method,
    inputs: { ...taken.inputs } as NewReading['inputs'],
    takenAt: taken.takenAt,
    conditions: taken.conditions ?? {},
    // It was asked about when it was taken, if it was to be.
    confirmed: true,
    ...(typeof taken.instrument === 'object' && taken.instrument ? { instruments: taken.instrument } : {}),
    ...(note === '' ? {} : { note }),
    supersedes: taken.id,
  },
});

/** Puts a field off for a reason; it is due as the reason usually allows, from today in `zone` on, or on the day given. */
export function putOffField(
  record: RoundRecord,
  { planned, followUp }: RoundField,
  why: { readonly reason: PutOffReason; readonly note?: string; readonly dueOn?: string },
  { now, id, zone }: Given & { readonly zone?: string | undefined },
): LocalFollowUp {
  const note = why.note?.trim();
  return {
    id: followUp?.id ?? id,
    followUp: {
      visitId: record.visitId,
      componentId: planned.component.id,
      kind: planned.kind.id,
      point: planned.point,
      method: planned.method.id,
      reason: why.reason,
      ...(note ? { note } : {}),
      dueOn: why.dueOn ?? isoOf(dayAt(zone, now) + PUT_OFF_REASONS[why.reason].dueInDays),
      putOffAt: now,
      withdrawn: false,
    },
  };
}

/** Whether a stop's instructions were followed. */
export const hasBegun = (record: RoundRecord, stop: Pick<RoundStop, 'id'>): boolean => record.begun.includes(stop.id);

/** The record with a stop begun: the clock of its mode starts, unless it is running. */
export const withStopBegun = (record: RoundRecord, stop: RoundStop, now: string): RoundRecord => ({
  ...record,
  begun: [...record.begun, stop.id],
  runningSince:
    stop.settle && !record.runningSince[stop.mode] ? { ...record.runningSince, [stop.mode]: now } : record.runningSince,
});

/** The record with a mode's clock set so that it has run so many minutes. */
export const withRunning = (record: RoundRecord, stop: RoundStop, minutes: number, now: string): RoundRecord => ({
  ...record,
  runningSince: {
    ...record.runningSince,
    [stop.mode]: new Date(Date.parse(now) - minutes * 60_000).toISOString(),
  },
});

const looseAmong = (record: RoundRecord, codes: readonly string[]): LooseEnd[] =>
  record.looseEnds.filter((end) => isLoose(end) && end.code !== null && codes.includes(end.code));

/** What is to be back before a stop begins and still hangs loose. */
export const toPutBackFirst = (record: RoundRecord, stop: RoundStop): LooseEnd[] =>
  looseAmong(record, stop.putBackFirst ?? []);

/** What is put back at the end of a stop and still hangs loose. */
export const toRestore = (record: RoundRecord, stop: RoundStop): LooseEnd[] => looseAmong(record, stop.restores);
