import { checkEntry, type Inputs, type NewReading } from '@yarnix/core';
import { v7 } from 'uuid';
import { addReading, change, takeReading } from '../../field/rounds.ts';
import { withoutDraft, withText, type LocalReading, type RoundRecord } from '../../field/round-record.ts';
import type { RoundField, RoundView } from './round-model.ts';

/** Puts a text into an input of a field; kept on the device at once. */
export const type = (record: RoundRecord, field: RoundField, input: string, text: string): void =>
  void change(record.visitId, (r) => {
    // Typing into a taken field starts from what was taken, so that its other inputs stay.
    const started = r.drafts[field.key] ? r : { ...r, drafts: { ...r.drafts, [field.key]: field.texts } };
    return withText(started, field.key, input, text);
  });

type Entry = NonNullable<RoundField['entry']>;

function readingOf(
  record: RoundRecord,
  view: RoundView,
  field: RoundField,
  entry: Entry,
  confirmed: boolean,
): LocalReading {
  const { planned } = field;
  const reading: NewReading = {
    visitId: record.visitId,
    componentId: planned.component.id,
    kind: planned.kind.id,
    point: planned.point,
    method: planned.method.id,
    inputs: entry.inputs,
    takenAt: new Date().toISOString(),
    conditions: view.conditions,
    confirmed,
    ...(field.taken ? { supersedes: field.taken.id } : {}),
  };
  return { id: v7(), reading, value: entry.check.value, finding: entry.check.finding };
}

const isAsTaken = (field: RoundField, inputs: Inputs): boolean =>
  field.taken !== null && Object.entries(inputs).every(([id, entered]) => field.taken?.inputs[id] === entered);

/**
 * Takes what is in a field, if it can be taken: ready, or questioned and confirmed. Typing the same again changes
 * nothing; something else supersedes what was taken before. Tells whether the field is done with.
 */
export function take(record: RoundRecord, view: RoundView, field: RoundField, confirmed = false): boolean {
  if (field.status === 'taken') return true;
  if (!field.entry) return false;
  if (isAsTaken(field, field.entry.inputs)) {
    void change(record.visitId, (r) => withoutDraft(r, field.key));
    return true;
  }
  if (field.status === 'questioned' && !confirmed) return false;
  void takeReading(record.visitId, field.key, readingOf(record, view, field, field.entry, confirmed));
  return true;
}

/** Takes a choice at once: there is nothing to type to an end. */
export function choose(record: RoundRecord, view: RoundView, field: RoundField, input: string, value: string): void {
  const inputs = { [input]: value };
  const { kind, method } = field.planned;
  const check = checkEntry(kind, method, inputs, field.about, view.conditions);
  if (check.outcome !== 'refused' && !isAsTaken(field, inputs)) {
    void addReading(record.visitId, field.key, readingOf(record, view, field, { inputs, check }, false));
  }
}
