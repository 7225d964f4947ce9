import { roundBase } from '../../../field/round-base.ts';
import {
  POINT_NAMES,
  sayReason,
  severityOf,
  SYSTEM_KIND_NAMES,
  type RoundField,
  type RoundRecord,
  type RoundStop,
  type RoundView,
  type SystemDetail,
} from '@yarnix/core';

export interface StopProps {
  readonly system: SystemDetail;
  readonly record: RoundRecord;
  readonly view: RoundView;
  readonly stop: RoundStop;
}

export const systemLine = (system: SystemDetail): string => `${system.address} · ${SYSTEM_KIND_NAMES[system.kind]}`;

/** Where outdoor air is asked on a phone: at the first stop outdoors, or the first of all. */
export function asksWeather({ view, stop }: StopProps): boolean {
  const first = view.stops.find((s) => s.place === 'outdoor-unit') ?? view.stops[0];
  return first?.id === stop.id;
}

/** Where the round goes after a stop. */
export function afterStop({ view, stop, record }: StopProps): string {
  const index = view.stops.findIndex((s) => s.id === stop.id);
  return `${roundBase(record)}/${view.stops[index + 1]?.id ?? 'close'}`;
}

/** Why a part came out, as its verdict suggests: "HERM 36.1 µF, 10 % under 40.0". */
export function reasonSuggested(field: RoundField): string {
  const verdict = field.verdict;
  if (!verdict || severityOf(verdict.standing) < severityOf('watch')) return '';
  const point = POINT_NAMES[field.planned.point];
  const clause = sayReason(verdict.because).split(/[;.](?:\s|$)/)[0] ?? '';
  return `${point} ${clause}`.slice(0, 200);
}
