import { POINT_NAMES, type Component, type Point } from '../equipment/component.ts';
import type { SystemKind } from '../equipment/system-kind.ts';
import { blowerAmps } from './blower-amps.ts';
import { compressorAmps } from './compressor-amps.ts';
import type { Method, ReadingKind } from './kind.ts';
import { lineVolts } from './line-volts.ts';
import { outdoorFanAmps } from './outdoor-fan-amps.ts';
import { runCapacitorCapacitance } from './run-capacitor-capacitance.ts';

/** Every kind of reading Yarnix knows, in no particular order. */
export const READING_KINDS: readonly ReadingKind[] = [
  lineVolts,
  compressorAmps,
  outdoorFanAmps,
  blowerAmps,
  runCapacitorCapacitance,
];

const byId = new Map(READING_KINDS.map((kind) => [kind.id, kind]));

/** The kind with that id; undefined when there is none. */
export const readingKind = (id: string): ReadingKind | undefined => byId.get(id);

/** The method of that kind with that id; undefined when there is none. */
export const methodOf = (kind: ReadingKind, id: string): Method | undefined => kind.methods.find((m) => m.id === id);

/** The title of a thread: "Capacitance, HERM", "Line volts". */
export function titleOf(kind: ReadingKind, point: Point): string {
  const own = kind.pointTitles?.[point];
  if (own) return own;
  return POINT_NAMES[point] ? `${kind.title}, ${POINT_NAMES[point]}` : kind.title;
}

/** Where a reading is taken, apart from the component itself. */
export interface Place {
  readonly kind: ReadingKind;
  readonly method: Method;
  readonly point: Point;
}

/** Every reading that can be taken on a component: its kinds, their methods, and the points of each. */
export function placesOn(component: Component, systemKind: SystemKind): Place[] {
  return READING_KINDS.filter((kind) => kind.component === component.kind).flatMap((kind) =>
    kind.methods.flatMap((method) => method.points(component, systemKind).map((point) => ({ kind, method, point }))),
  );
}
