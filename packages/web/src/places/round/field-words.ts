import {
  dayOf,
  isoOf,
  monthOf,
  POINT_NAMES,
  ratingOf,
  saySection,
  sayNumber,
  SLOT_NAMES,
  type Component,
  type Day,
  type InlineThreadData,
  type Plate,
  type Point,
  type ReadingKind,
} from '@yarnix/core';

/** "HERM", "common": the point in a title; nothing for a part with one point. */
export function threadTitle(kind: ReadingKind, point: Point): string {
  const name = POINT_NAMES[point];
  return name ? `${kind.title}, ${name}` : kind.title;
}

/** What stands on the plate for a field: "40 µF", "RLA 19.9 A". */
export function plateLine(kind: ReadingKind, point: Point, component: Component, plate: Plate): string {
  if (kind.id === 'run-capacitor-capacitance') {
    const section = ratingOf(component)?.sections.find((s) => s.lug === point);
    return section ? `rated ${saySection(section)}` : (component.plate.rating ?? 'no rating');
  }
  if (point === 'run' || point === 'start-wire') return 'no plate figure for this wire';
  if (kind.id === 'compressor-amps')
    return plate.compressorRla === undefined ? 'no RLA' : `RLA ${plate.compressorRla} A`;
  if (kind.id === 'outdoor-fan-amps')
    return plate.outdoorFanFla === undefined ? 'no FLA' : `FLA ${plate.outdoorFanFla} A`;
  if (kind.id === 'blower-amps')
    return `${plate.blowerMotor?.toUpperCase() ?? ''} ${plate.blowerFla === undefined ? 'no FLA' : `FLA ${plate.blowerFla} A`}`.trim();
  return plate.volts ? `plate ${plate.volts} V` : SLOT_NAMES[component.slot];
}

/** "spring 2026": the round a day belongs to, short. */
export function roundName(day: Day): string {
  const month = Number(isoOf(day).slice(5, 7));
  return `${month >= 2 && month <= 7 ? 'spring' : 'autumn'} ${isoOf(day).slice(0, 4)}`;
}

/** The last values beside a field: "39.6 autumn 2026, 40.4 spring 2026". */
export const lastValues = (before: readonly { value: number; day: Day }[], kind: ReadingKind, count: number): string =>
  before
    .slice(0, count)
    .map((b) => `${sayNumber(b.value, kind.unit)} ${roundName(b.day)}`)
    .join(', ');

/** The part's own baseline beside a field: " · baseline 41.2"; nothing where it has none. */
export const baselineWords = (field: { thread: InlineThreadData; planned: { kind: ReadingKind } }): string =>
  field.thread.baseline === null ? '' : ` · baseline ${sayNumber(field.thread.baseline, field.planned.kind.unit)}`;

/** "12 April 2026" from an ISO date or timestamp. */
export function dateWords(iso: string): string {
  const day = dayOf(iso);
  return `${Number(isoOf(day).slice(8))} ${monthOf(day)}`;
}
