import { interpretVisit, type ToInterpret } from '../interpretation/interpret-visit.ts';
import { tablesTaken } from '../interpretation/expected.ts';
import type { Slot } from '../equipment/component.ts';
import type { Reading } from '../readings/contract/reading.ts';
import type { Interpretation } from '../verdict/interpretation.ts';
import type { Plate } from '../equipment/plate.ts';
import type { SystemKind } from '../equipment/system-kind.ts';
import type { SystemEvent } from './events.ts';

/** A system as its readings are interpreted. */
export interface InterpretedSystem {
  readonly kind: SystemKind;
  readonly plate: Plate;
  readonly components: readonly { readonly id: string; readonly slot: Slot }[];
  readonly events?: readonly SystemEvent[] | undefined;
}

type Told = ReadonlyMap<string, Interpretation>;

/** Visits that are kept with what their readings say: a few firms' worth of systems that are open. */
const MOST_KEPT = 4000;
const kept = new Map<string, Told>();

function keep(name: string, told: Told): Told {
  kept.set(name, told);
  const oldest = kept.size > MOST_KEPT ? kept.keys().next().value : undefined;
  if (oldest !== undefined) kept.delete(oldest);
  return told;
}

/** The last repair before a reading on its day, which parts what was read before it from what was read after it. */
const sinceOf = (takenAt: string, events: readonly SystemEvent[]): string | undefined =>
  events
    .flatMap(({ at }) => (at !== undefined && at < takenAt && at.slice(0, 10) === takenAt.slice(0, 10) ? [at] : []))
    .sort()
    .at(-1);

const asToInterpret = (reading: Reading, slot: Slot, events: readonly SystemEvent[]): ToInterpret => ({
  id: reading.id,
  kind: reading.kind,
  slot,
  point: reading.point,
  method: reading.method,
  inputs: reading.inputs,
  findings: reading.findings,
  conditions: reading.conditions,
  since: sinceOf(reading.takenAt, events),
});

const inOrder = <R extends Pick<Reading, 'takenAt'>>(readings: readonly R[]): R[] =>
  [...readings].sort((a, b) => (a.takenAt < b.takenAt ? -1 : a.takenAt > b.takenAt ? 1 : 0));

/** What the readings of one visit say, by their ids; `only` names the one that is asked for. */
export function interpretedVisit(system: InterpretedSystem, readings: readonly Reading[], only?: string): Told {
  const slots = new Map(system.components.map(({ id, slot }) => [id, slot]));
  const { events = [] } = system;
  return interpretVisit(
    system,
    inOrder(readings).flatMap((r) => {
      const slot = slots.get(r.componentId);
      return slot ? [asToInterpret(r, slot, events)] : [];
    }),
    only,
  );
}

/**
 * Readings of a system, each with what it says once all of its visit are weighed together. Those that stand alone are looked at:
 * `readings` holds none that another supersedes. What is kept of a visit is named by its readings, which never change.
 */
export function interpreted<R extends Reading>(system: InterpretedSystem, readings: readonly R[]): R[] {
  const visits = new Map<string, R[]>();
  for (const r of readings) {
    const known = visits.get(r.visitId);
    if (known) known.push(r);
    else visits.set(r.visitId, [r]);
  }
  const plate = JSON.stringify([tablesTaken(), system.kind, system.plate, system.events?.map(({ at }) => at)]);
  const told = new Map<string, Interpretation>();
  for (const [visitId, own] of visits) {
    const name = `${visitId}|${own
      .map(({ id, componentId }) => `${id}@${componentId}`)
      .sort()
      .join()}|${plate}`;
    const ofVisit = kept.get(name) ?? keep(name, interpretedVisit(system, own));
    ofVisit.forEach((says, id) => told.set(id, says));
  }
  return told.size === 0 ? [...readings] : readings.map((r) => (told.has(r.id) ? { ...r, read: told.get(r.id) } : r));
}
