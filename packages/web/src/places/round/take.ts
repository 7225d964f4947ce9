import { checkEntry, type Inputs, type NewReading } from '@yarnix/core';
import { v7 } from 'uuid';
import { addReading, change, takeReading } from '../../field/rounds.ts';
import { withoutDraft, withText, type LocalReading, type RoundRecord } from '../../field/round-record.ts';
import type { RoundField } from './round-view.ts';

/** Puts a text into an input of a field; kept on the device at once. */
export const type = (record: RoundRecord, field: RoundField, input: string, text: string): void =>
  void change(record.visitId, (r) => {
    // Typing into a taken field starts from what was taken, so that its other inputs stay.
    const started = r.drafts[field.key] ? r : { ...r, drafts: { ...r.drafts, [field.key]: field.texts } };
    return withText(started, field.key, input, text);
  });

type Entry = NonNullable<RoundField['entry']>;

function readingOf(record: RoundRecord, field: RoundField, entry: Entry, confirmed: boolean): LocalReading {
  const { planned } = field;
  const probes = record.probes[field.key];
  const reading: NewReading = {
    visitId: record.visitId,
    componentId: planned.component.id,
    kind: planned.kind.id,
    point: planned.point,
    method: planned.method.id,
    inputs: entry.inputs,
    takenAt: new Date().toISOString(),
    conditions: field.conditions,
    confirmed,
    ...(probes && Object.keys(probes).length > 0 ? { probes } : {}),
    ...(field.taken ? { supersedes: field.taken.id } : {}),
  };
  return { id: v7(), reading, value: entry.check.value, finding: entry.check.finding };
}

const isAsTaken = (field: RoundField, inputs: Inputs): boolean =>
  field.taken !== null &&
  field.planned.method.inputs.every(({ id }) => (field.taken?.inputs[id] ?? '') === (inputs[id] ?? ''));

/**
 * Takes what is in a field, if it can be taken: ready, or questioned and confirmed. Typing the same again changes
 * nothing; something else supersedes what was taken before. Tells whether the field is done with.
 */
export function take(record: RoundRecord, field: RoundField, confirmed = false): boolean {
  if (field.status === 'taken') return true;
  if (!field.entry) return false;
  if (isAsTaken(field, field.entry.inputs)) {
    void change(record.visitId, (r) => withoutDraft(r, field.key));
    return true;
  }
  if (field.status === 'questioned' && !confirmed) return false;
  const reading = readingOf(record, field, field.entry, confirmed);
  // What is worked out has no draft of its own.
  if (field.planned.method.inputs.length === 0) void addReading(record.visitId, field.key, reading);
  else void takeReading(record.visitId, field.key, reading);
  return true;
}

/** Takes a whole entry at once, with nothing to type to an end; tells whether it was taken. */
export function takeEntry(record: RoundRecord, field: RoundField, inputs: Inputs): boolean {
  const { kind, method } = field.planned;
  if (isAsTaken(field, inputs)) return true;
  const check = checkEntry(kind, method, inputs, field.about);
  if (check.outcome === 'refused') return false;
  void addReading(
    record.visitId,
    field.key,
    readingOf(record, field, { inputs, check }, check.outcome === 'questioned'),
  );
  return true;
}

/** Chooses: takes at once what needs nothing more, and keeps the rest as typed. */
export function choose(record: RoundRecord, field: RoundField, input: string, value: string): void {
  if (field.planned.method.inputs.length === 1) takeEntry(record, field, { [input]: value });
  else type(record, field, input, value);
}
