import {
  checkEntry,
  dayOf,
  placeAt,
  sayReason,
  sayRefusal,
  type Day,
  type EntryCheck,
  type Method,
  type NewReading,
  type PressureTables,
  type VisitView,
} from '@yarnix/core';
import { ProblemError } from '../../http/problems.ts';
import { checkNotAhead, checkNotBefore, checkNotBeforeYear } from '../../http/times.ts';
import { componentOf } from '../parts/standings.ts';
import type { PartInSystem } from '../parts/service.ts';
import type { ReadingRow } from './store.ts';

function refuse(code: 'entry-refused' | 'unknown-reading' | 'invalid-request', path: string, detail: string): never {
  throw new ProblemError(code, detail, [{ path, detail }]);
}

/** Works the value out again from what was entered, by the same checks the browser made. */
export function checkAgainstRegistry(
  reading: NewReading,
  part: PartInSystem,
  tables: PressureTables,
): Exclude<EntryCheck, { outcome: 'refused' }> & { settles: boolean; method: Method } {
  const component = componentOf(part);
  const place = placeAt(component, part.system_kind, part.system_plate, reading);
  if (!place)
    refuse('unknown-reading', 'kind', `No ${reading.kind} by ${reading.method} at ${reading.point} on this part.`);
  const about = {
    systemKind: part.system_kind,
    plate: part.system_plate,
    component,
    point: reading.point,
    conditions: reading.conditions,
    tables,
  };
  const stranger = Object.keys(reading.probes ?? {}).find((input) => !place.method.inputs.some((i) => i.id === input));
  if (stranger !== undefined) refuse('invalid-request', 'probes', `No probe serves “${stranger.slice(0, 24)}” here.`);
  const checked = checkEntry(place.kind, place.method, reading.inputs, about);
  if (checked.outcome === 'refused') refuse('entry-refused', `inputs.${checked.input}`, sayRefusal(checked.because));
  if (checked.outcome === 'questioned' && !reading.confirmed) {
    const errors = checked.questions.map((q) => ({ path: 'inputs', detail: sayReason(q) }));
    throw new ProblemError('needs-confirmation', errors.map((e) => e.detail).join(' '), errors);
  }
  return { ...checked, settles: place.method.settles !== false, method: place.method };
}

/** Checks that a reading belongs where it says: an open round of the same system, a part that was in, a time that was. `day`: the firm's when it was taken. */
export function checkWhereAndWhen(
  reading: NewReading,
  part: PartInSystem,
  visit: VisitView,
  now: Date,
  day: Day,
): void {
  if (visit.systemId !== part.system_id)
    refuse('invalid-request', 'componentId', 'That part is not of the system of this round.');
  if (visit.closedAt !== null && !reading.supersedes) {
    throw new ProblemError('visit-closed', 'This round is closed; a reading can only be corrected now.');
  }
  if (part.removed_on !== null && day > dayOf(part.removed_on)) {
    throw new ProblemError('part-removed', `That part came out on ${part.removed_on}.`);
  }
  const { takenAt } = reading;
  checkNotAhead('takenAt', takenAt, now);
  checkNotBefore('takenAt', takenAt, visit.startedAt, 'the day this round began');
  if (part.fitted_on !== null) checkNotBefore('takenAt', takenAt, part.fitted_on, 'the day that part was fitted');
  checkNotBeforeYear('takenAt', takenAt, part.system_plate.year);
}

/** A correction must be of the same part, kind, point and method, and the first of its reading. */
export function checkCorrection(reading: NewReading, old: ReadingRow | undefined): void {
  if (!reading.supersedes) return;
  if (!old) refuse('invalid-request', 'supersedes', 'The reading to be corrected is not there.');
  const same =
    old.component_id === reading.componentId &&
    old.kind === reading.kind &&
    old.point === reading.point &&
    old.method === reading.method;
  if (!same) refuse('invalid-request', 'supersedes', 'A correction must be of the same part, point and method.');
  if (old.superseded) throw new ProblemError('already-superseded', 'Correct the newer reading instead.');
}
