import type { Inputs } from '../readings/contract/entry.ts';
import type { SystemDetail } from '../http/systems.ts';
import { SLOT_KINDS, type Component } from '../equipment/component.ts';
import { dayOf } from '../quantity/day.ts';
import type { Reading } from '../readings/contract/reading.ts';
import type { RoundRecord } from './round-record.ts';

export type RoundComponent = Component & { readonly id: string; readonly isNew: boolean };
export type RoundReading = Reading & { readonly inputs: Inputs; readonly note?: string | null | undefined };

/** The living parts: the server's, less those replaced on this device, and the new ones. */
export function livingParts(system: SystemDetail, record: RoundRecord): RoundComponent[] {
  const fitted = record.parts.filter((p) => p.refused === undefined);
  const gone = new Set(fitted.map((p) => p.fitted.replaces));
  const known = system.components.map((c) => ({
    ...c,
    fittedOn: c.fittedOn === null ? null : dayOf(c.fittedOn),
    isNew: false,
  }));
  const living = known.filter((c) => c.removedOn === null && !gone.has(c.id));
  const slots = new Map(known.map((c) => [c.id, c.slot]));
  const fresh = fitted
    .filter((p) => !gone.has(p.id) && !known.some((c) => c.id === p.id))
    .flatMap((p): RoundComponent[] => {
      const slot = slots.get(p.fitted.replaces) ?? slotOfLocal(record, slots, p.fitted.replaces);
      return slot
        ? [
            {
              id: p.id,
              slot,
              kind: SLOT_KINDS[slot],
              plate: p.fitted.plate,
              fittedOn: dayOf(p.fitted.fittedOn),
              isNew: true,
            },
          ]
        : [];
    });
  const ours = new Set(fitted.map((p) => p.id));
  return [...living.map((c) => ({ ...c, isNew: ours.has(c.id) })), ...fresh];
}

/** A part that replaced one which itself was fitted on this visit has that one's slot. */
function slotOfLocal(
  record: RoundRecord,
  slots: Map<string, Component['slot']>,
  id: string,
): Component['slot'] | undefined {
  const before = record.parts.find((p) => p.id === id)?.fitted.replaces;
  return before === undefined ? undefined : (slots.get(before) ?? slotOfLocal(record, slots, before));
}

/** The server's readings and this device's, each once. */
export function allReadings(system: SystemDetail, record: RoundRecord, personId: string): RoundReading[] {
  const known = new Set(system.readings.map((r) => r.id));
  const local = record.readings
    .filter((r) => r.refused === undefined && !known.has(r.id))
    .map(({ id, reading, value, findings }) => ({
      ...reading,
      id,
      value,
      findings,
      supersedes: reading.supersedes ?? null,
      instrument: reading.instruments ?? personId,
    }));
  const ruled = new Map(record.rulings.map((r) => [r.id, r]));
  return [...system.readings, ...local].map((reading) => {
    const here = ruled.get(reading.id);
    if (!here) return reading;
    const { standing, why, withdrawn } = here.ruling;
    return { ...reading, ruling: withdrawn ? null : { standing, why, by: here.by } };
  });
}
