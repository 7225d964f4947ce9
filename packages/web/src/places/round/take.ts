import type { NewReading } from '@yarnix/core';
import { v7 } from 'uuid';
import { change, takeReading } from '../../field/rounds.ts';
import { withoutDraft, withText, type RoundRecord } from '../../field/round-record.ts';
import type { RoundField, RoundView } from './round-model.ts';

/** Puts a text into an input of a field; kept on the device at once. */
export const type = (record: RoundRecord, field: RoundField, input: string, text: string): void =>
  void change(record.visitId, (r) => {
    // Typing into a taken field starts from what was taken, so that its other inputs stay.
    const started = r.drafts[field.key] ? r : { ...r, drafts: { ...r.drafts, [field.key]: field.texts } };
    return withText(started, field.key, input, text);
  });

const sameInputs = (a: RoundField['texts'], b: RoundField): boolean =>
  b.taken !== null && Object.entries(a).every(([id, text]) => String(b.taken?.inputs[id] ?? '') === text.trim());

/**
 * Takes what is in a field, if it can be taken: ready, or questioned and confirmed. Typing the same again changes
 * nothing; something else supersedes what was taken before. Tells whether the field is done with.
 */
export function take(record: RoundRecord, view: RoundView, field: RoundField, confirmed = false): boolean {
  if (field.status === 'taken') return true;
  if (field.taken && sameInputs(field.texts, field)) {
    void change(record.visitId, (r) => withoutDraft(r, field.key));
    return true;
  }
  if (!field.entry || (field.status === 'questioned' && !confirmed)) return false;
  const { planned, entry } = field;
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
  void takeReading(record.visitId, field.key, {
    id: v7(),
    reading,
    value: entry.check.value,
    finding: entry.check.finding,
  });
  return true;
}
