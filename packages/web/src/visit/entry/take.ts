import {
  takeAsMeant as takingAsMeant,
  takeEntry as takingOfEntry,
  takeField,
  typedInto,
  withoutDraft,
  type Inputs,
  type RoundField,
  type RoundRecord,
  type Taking,
} from '@yarnix/core';
import { v7 } from 'uuid';
import { addReading, change, takeReading } from '../../field/rounds.ts';

/** Puts a text into an input of a field; kept on the device at once. */
export const type = (record: RoundRecord, field: RoundField, input: string, text: string): void =>
  void change(record.visitId, (r) => typedInto(r, field, input, text));

const given = () => ({ now: new Date().toISOString(), id: v7() });

/** Keeps what came of taking a field; tells whether the field is done with. */
function keepTaking(record: RoundRecord, field: RoundField, taking: Taking, wasTyped: boolean): boolean {
  if (taking.outcome === 'not-yet') return false;
  if (taking.outcome === 'as-before') void change(record.visitId, (r) => withoutDraft(r, field.key));
  else if (wasTyped) void takeReading(record.visitId, field.key, taking.reading);
  else void addReading(record.visitId, field.key, taking.reading);
  return true;
}

/** Takes what is in a field, if it can be taken; tells whether the field is done with. */
export const take = (record: RoundRecord, field: RoundField, confirmed = false): boolean =>
  // What is worked out has no draft of its own.
  keepTaking(record, field, takeField(record, field, confirmed, given()), field.planned.method.inputs.length > 0);

/** Takes a whole entry at once, with nothing to type to an end; tells whether it was taken. */
export const takeEntry = (record: RoundRecord, field: RoundField, inputs: Inputs): boolean =>
  keepTaking(record, field, takingOfEntry(record, field, inputs, given()), false);

/** Takes what is in a field with the machine seen in the state it is for; tells whether it was taken. */
export const takeAsMeant = (record: RoundRecord, field: RoundField): boolean =>
  keepTaking(record, field, takingAsMeant(record, field, given()), false);

/** Chooses: takes at once what needs nothing more, and keeps the rest as typed. */
export function choose(record: RoundRecord, field: RoundField, input: string, value: string): void {
  const [only, ...others] = field.planned.method.inputs;
  if (only && others.length === 0) takeEntry(record, field, { [input]: only.type === 'several' ? [value] : value });
  else type(record, field, input, value);
}
