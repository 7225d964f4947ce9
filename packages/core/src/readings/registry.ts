import { POINT_NAMES, SLOT_NAMES, type Component, type Point } from '../equipment/component.ts';
import type { Plate } from '../equipment/plate.ts';
import type { SystemKind } from '../equipment/system-kind.ts';
import { own } from '../quantity/own.ts';
import { airflow } from './air/airflow.ts';
import { basePanHeaterOhms } from './defrost/base-pan-heater-ohms.ts';
import { blowerAmps } from './motor/blower-amps.ts';
import { blowerRelayCoilOhms } from './controls/blower-relay-coil-ohms.ts';
import { callCheck } from './controls/call-check.ts';
import { contactorVolts } from './controls/contactor-volts.ts';
import { blowerRelayVolts } from './controls/blower-relay-volts.ts';
import { heatRelayVolts } from './controls/heat-relay-volts.ts';
import { sequencerVolts } from './controls/sequencer-volts.ts';
import { heaterVolts } from './controls/heater-volts.ts';
import { valveVolts } from './controls/valve-volts.ts';
import { coilThermostatTemperatures } from './defrost/coil-thermostat-temperatures.ts';
import { speedTap } from './motor/speed-tap.ts';
import { restartCheck } from './controls/restart-check.ts';
import { chargeCheck } from './refrigerant/charge-check.ts';
import { complaint } from './looks/complaint.ts';
import { compressorAmps } from './motor/compressor-amps.ts';
import { contactDrop } from './controls/contact-drop.ts';
import { contactorCoilOhms } from './controls/contactor-coil-ohms.ts';
import { controlVolts } from './controls/control-volts.ts';
import { defrostChain } from './defrost/defrost-chain.ts';
import { defrostSettings } from './defrost/defrost-settings.ts';
import { defrostDuration } from './defrost/defrost-duration.ts';
import { deliveredCapacity } from './air/delivered-capacity.ts';
import { elementOhms } from './electric-heat/element-ohms.ts';
import { fanBypass } from './defrost/fan-bypass.ts';
import { gasRise } from './air/gas-rise.ts';
import { heaterAmps } from './electric-heat/heater-amps.ts';
import { heatingPressure } from './refrigerant/heating-pressure.ts';
import { heatRise } from './air/heat-rise.ts';
import { controlFuseLooks } from './looks/control-fuse-looks.ts';
import { indoorLooks } from './looks/indoor-looks.ts';
import { compressorStage } from './motor/compressor-stage.ts';
import { compressorOhms } from './motor/compressor-ohms.ts';
import { pressureSwitchOhms } from './controls/pressure-switch-ohms.ts';
import { blowerRelayContactOhms } from './controls/blower-relay-contact-ohms.ts';
import { heatRelayContactOhms } from './electric-heat/heat-relay-contact-ohms.ts';
import { sequencerContactOhms } from './electric-heat/sequencer-contact-ohms.ts';
import { contactorContactOhms } from './controls/contactor-contact-ohms.ts';
import { blowerOffDelay } from './motor/blower-off-delay.ts';
import { refrigerantFound } from './refrigerant/refrigerant-found.ts';
import { suctionLine } from './refrigerant/suction-line.ts';
import { panHeaterVolts } from './defrost/pan-heater-volts.ts';
import { coilThermostatOhms } from './defrost/coil-thermostat-ohms.ts';
import { forcedDefrost } from './hunt/forced-defrost.ts';
import { huntDegrees } from './hunt/hunt-degrees.ts';
import { huntLook } from './hunt/hunt-look.ts';
import { wiringAmps } from './hunt/wiring-amps.ts';
import { wiringOhms } from './hunt/wiring-ohms.ts';
import { wiringVolts } from './hunt/wiring-volts.ts';
import type { Method } from './contract/entry.ts';
import { READING_KIND_IDS, type ReadingKindId } from './contract/kind-ids.ts';
import type { NumericKind, ReadingKind } from './contract/kind.ts';
import { lineVolts } from './controls/line-volts.ts';
import { outdoorFanAmps } from './motor/outdoor-fan-amps.ts';
import { outdoorLooks } from './looks/outdoor-looks.ts';
import { pressureSwitchVolts } from './controls/pressure-switch-volts.ts';
import { returnAir } from './air/return-air.ts';
import { roomTemperature } from './air/room-temperature.ts';
import { runCapacitorCapacitance } from './capacitor/run-capacitor-capacitance.ts';
import { sensorError } from './defrost/sensor-error.ts';
import { sequencerClosingTime } from './electric-heat/sequencer-closing-time.ts';
import { sequencerCoilOhms } from './electric-heat/sequencer-coil-ohms.ts';
import { heatRelayCoilOhms } from './electric-heat/heat-relay-coil-ohms.ts';
import { heatRelayContactVolts } from './electric-heat/heat-relay-contact-volts.ts';
import { sequencerOpeningTime } from './electric-heat/sequencer-opening-time.ts';
import { sequencerContactVolts } from './electric-heat/sequencer-contact-volts.ts';
import { startCapacitorCapacitance } from './capacitor/start-capacitor-capacitance.ts';
import { stripsInCooling } from './electric-heat/strips-in-cooling.ts';
import { subcooling } from './refrigerant/subcooling.ts';
import { superheat } from './refrigerant/superheat.ts';
import { temperatureSplit } from './air/temperature-split.ts';

/** Every kind of reading there is, by its id. */
const KINDS: Readonly<Record<ReadingKindId, ReadingKind>> = {
  complaint,
  'room-temperature': roomTemperature,
  'outdoor-looks': outdoorLooks,
  'indoor-looks': indoorLooks,
  'control-fuse-looks': controlFuseLooks,
  'call-check': callCheck,
  'restart-check': restartCheck,
  'contactor-volts': contactorVolts,
  'blower-relay-volts': blowerRelayVolts,
  'heat-relay-volts': heatRelayVolts,
  'sequencer-volts': sequencerVolts,
  'heater-volts': heaterVolts,
  'valve-volts': valveVolts,
  'coil-thermostat-temperatures': coilThermostatTemperatures,
  'speed-tap': speedTap,
  'control-volts': controlVolts,
  'line-volts': lineVolts,
  'heater-amps': heaterAmps,
  'strips-in-cooling': stripsInCooling,
  'element-ohms': elementOhms,
  'sequencer-closing-time': sequencerClosingTime,
  'sequencer-opening-time': sequencerOpeningTime,
  'sequencer-contact-volts': sequencerContactVolts,
  'sequencer-coil-ohms': sequencerCoilOhms,
  'heat-relay-contact-volts': heatRelayContactVolts,
  'heat-relay-coil-ohms': heatRelayCoilOhms,
  'return-air': returnAir,
  'heat-rise': heatRise,
  'gas-rise': gasRise,
  'temperature-split': temperatureSplit,
  airflow,
  'delivered-capacity': deliveredCapacity,
  'blower-amps': blowerAmps,
  'blower-relay-coil-ohms': blowerRelayCoilOhms,
  'compressor-stage': compressorStage,
  'compressor-amps': compressorAmps,
  'outdoor-fan-amps': outdoorFanAmps,
  'run-capacitor-capacitance': runCapacitorCapacitance,
  'start-capacitor-capacitance': startCapacitorCapacitance,
  'contact-drop': contactDrop,
  'contactor-coil-ohms': contactorCoilOhms,
  'pressure-switch-volts': pressureSwitchVolts,
  'charge-check': chargeCheck,
  superheat,
  subcooling,
  'heating-pressure': heatingPressure,
  'defrost-settings': defrostSettings,
  'defrost-duration': defrostDuration,
  'defrost-chain': defrostChain,
  'fan-bypass': fanBypass,
  'sensor-error': sensorError,
  'base-pan-heater-ohms': basePanHeaterOhms,
  'compressor-ohms': compressorOhms,
  'pressure-switch-ohms': pressureSwitchOhms,
  'blower-relay-contact-ohms': blowerRelayContactOhms,
  'heat-relay-contact-ohms': heatRelayContactOhms,
  'sequencer-contact-ohms': sequencerContactOhms,
  'contactor-contact-ohms': contactorContactOhms,
  'coil-thermostat-ohms': coilThermostatOhms,
  'blower-off-delay': blowerOffDelay,
  'refrigerant-found': refrigerantFound,
  'suction-line': suctionLine,
  'pan-heater-volts': panHeaterVolts,
  'wiring-volts': wiringVolts,
  'wiring-ohms': wiringOhms,
  'wiring-amps': wiringAmps,
  'hunt-degrees': huntDegrees,
  'hunt-look': huntLook,
  'forced-defrost': forcedDefrost,
};

/** All of them, in no particular order. */
export const READING_KINDS: readonly ReadingKind[] = READING_KIND_IDS.map((id) => KINDS[id]);

/** The kind with that id; undefined when there is none. */
export const readingKind = (id: string): ReadingKind | undefined => own(KINDS, id);

/** The kind with that id, where it is one that is measured. */
export function numericKind(id: string): NumericKind | undefined {
  const kind = readingKind(id);
  return kind?.type === 'number' ? kind : undefined;
}

/** The method of that kind with that id; undefined when there is none. */
export const methodOf = (kind: ReadingKind, id: string): Method | undefined => kind.methods.find((m) => m.id === id);

/** The title of a thread: "Capacitance, HERM", "Line volts". */
export function titleOf(kind: ReadingKind, point: Point): string {
  const special = kind.pointTitles?.[point];
  if (special) return special;
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

/** The place with those names on a component, whether a round plans it or only a hunt asks for it; undefined when there is none. */
export function placeAt(
  component: Component,
  systemKind: SystemKind,
  plate: Plate,
  at: { readonly kind: string; readonly method: string; readonly point: string },
): Place | undefined {
  const kind = readingKind(at.kind);
  if (kind?.component !== component.kind) return undefined;
  const method = methodOf(kind, at.method);
  const points = method && [...method.points({ component, systemKind, plate }), ...(method.hunted ?? [])];
  const point = points?.find((p) => p === at.point);
  return method && point && { kind, method, point };
}
