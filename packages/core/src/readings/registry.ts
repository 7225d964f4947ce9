import { POINT_NAMES, SLOT_NAMES, type Component, type Point } from '../equipment/component.ts';
import type { Plate } from '../equipment/plate.ts';
import type { SystemKind } from '../equipment/system-kind.ts';
import { airflow } from './airflow.ts';
import { basePanHeaterOhms } from './base-pan-heater-ohms.ts';
import { blowerAmps } from './blower-amps.ts';
import { blowerRelayCoilOhms } from './blower-relay-coil-ohms.ts';
import { callCheck } from './call-check.ts';
import { chargeCheck } from './charge-check.ts';
import { complaint } from './complaint.ts';
import { compressorAmps } from './compressor-amps.ts';
import { contactDrop } from './contact-drop.ts';
import { contactorCoilOhms } from './contactor-coil-ohms.ts';
import { controlVolts } from './control-volts.ts';
import { defrostChainVolts } from './defrost-chain-volts.ts';
import { defrostSettings } from './defrost-settings.ts';
import { defrostDuration } from './defrost-duration.ts';
import { capacity } from './delivered-capacity.ts';
import { elementOhms } from './element-ohms.ts';
import { fanBypass } from './fan-bypass.ts';
import { gasRise } from './gas-rise.ts';
import { heaterAmpsReading } from './heater-amps.ts';
import { heatingPressure } from './heating-pressure.ts';
import { heatRise } from './heat-rise.ts';
import { indoorLooks } from './indoor-looks.ts';
import type { Method, ReadingKind } from './kind.ts';
import { lineVolts } from './line-volts.ts';
import { outdoorFanAmps } from './outdoor-fan-amps.ts';
import { outdoorLooks } from './outdoor-looks.ts';
import { pressureSwitchVolts } from './pressure-switch-volts.ts';
import { returnAir } from './return-air.ts';
import { roomTemperature } from './room-temperature.ts';
import { runCapacitorCapacitance } from './run-capacitor-capacitance.ts';
import { sensorError } from './sensor-error.ts';
import { sequencerClosingTime } from './sequencer-closing-time.ts';
import { sequencerCoilOhms } from './sequencer-coil-ohms.ts';
import { sequencerContactVolts } from './sequencer-contact-volts.ts';
import { startCapacitorCapacitance } from './start-capacitor-capacitance.ts';
import { stripsInCooling } from './strips-in-cooling.ts';
import { subcoolingReading } from './subcooling.ts';
import { superheatReading } from './superheat.ts';
import { temperatureSplit } from './temperature-split.ts';

/** Every kind of reading Yarnix knows, in no particular order. */
export const READING_KINDS: readonly ReadingKind[] = [
  complaint,
  roomTemperature,
  outdoorLooks,
  indoorLooks,
  callCheck,
  controlVolts,
  lineVolts,
  heaterAmpsReading,
  stripsInCooling,
  elementOhms,
  sequencerClosingTime,
  sequencerContactVolts,
  sequencerCoilOhms,
  returnAir,
  heatRise,
  gasRise,
  temperatureSplit,
  airflow,
  capacity,
  blowerAmps,
  blowerRelayCoilOhms,
  compressorAmps,
  outdoorFanAmps,
  runCapacitorCapacitance,
  startCapacitorCapacitance,
  contactDrop,
  contactorCoilOhms,
  pressureSwitchVolts,
  chargeCheck,
  superheatReading,
  subcoolingReading,
  heatingPressure,
  defrostSettings,
  defrostDuration,
  defrostChainVolts,
  fanBypass,
  sensorError,
  basePanHeaterOhms,
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

/** The title of a thread with its part, where a system has several such parts: "Coil sensor: sensor error". */
export function titleOn(kind: ReadingKind, point: Point, component: Component): string {
  const title = titleOf(kind, point);
  return SHARED.has(component.kind) ? `${SLOT_NAMES[component.slot]}: ${title}` : title;
}
/** Kinds of part of which a system may have more than one. */
const SHARED: ReadonlySet<Component['kind']> = new Set(['run-capacitor', 'pressure-switch', 'temperature-sensor']);

/** Where a reading is taken, apart from the component itself. */
export interface Place {
  readonly kind: ReadingKind;
  readonly method: Method;
  readonly point: Point;
}

/** Every reading that can be taken on a component: its kinds, their methods, and the points of each. */
export function placesOn(component: Component, systemKind: SystemKind, plate: Plate): Place[] {
  return READING_KINDS.filter((kind) => kind.component === component.kind).flatMap((kind) =>
    kind.methods.flatMap((method) =>
      method.points({ component, systemKind, plate }).map((point) => ({ kind, method, point })),
    ),
  );
}
