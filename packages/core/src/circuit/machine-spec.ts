import { componentsFor, ratingOf, type Slot } from '../equipment/component.ts';
import {
  controlFuseOf,
  heatKilowattsOf,
  heatVoltsOf,
  likelyElementsOf,
  nominalVoltsOf,
  type Plate,
} from '../equipment/plate.ts';
import type { SwitchOrder } from '../equipment/switch-order.ts';
import { hasOutdoorUnit, isHeatPump, type SystemKind } from '../equipment/system-kind.ts';
import { heaterResistance } from '../trade/electric-heat/heater.ts';

/** What a machine's circuits are built from: what its plate says, and common practice where it does not. */
export interface MachineSpec {
  readonly kind: SystemKind;
  /** What moves the air indoors: an air handler on 240 V, a furnace on 120 V, or a ductless head. */
  readonly indoors: 'air-handler' | 'furnace' | 'head';
  readonly outdoors: 'none' | 'condenser' | 'heat-pump' | 'inverter';
  /** True where both halves are in one cabinet. */
  readonly packaged: boolean;
  readonly blower: 'psc' | 'ecm';
  readonly blowerAmps: number;
  /** Electric heat: Ω of each bank, at its volts; empty where there is none. */
  readonly banks: readonly number[];
  readonly heatSwitch: 'sequencer' | 'relay';
  readonly lineVolts: number;
  /** A of the low-voltage fuse. */
  readonly controlFuseAmps: number;
  readonly compressorAmps: number;
  readonly outdoorFanAmps: number;
  /** µF of each section. */
  readonly hermMicrofarads: number;
  readonly fanMicrofarads: number;
  readonly blowerMicrofarads: number;
  readonly startKit: boolean;
  /** Of the outdoor contactor: with one, the other leg is live at rest. */
  readonly contactorPoles: 1 | 2;
  readonly crankcaseHeater: boolean;
  readonly switches: SwitchOrder;
  readonly defrost: 'none' | 'time-temperature' | 'demand';
  readonly panHeater: number | null;
  readonly slots: ReadonlySet<Slot>;
}

const OUTDOORS: Readonly<Record<SystemKind, MachineSpec['outdoors']>> = {
  'split-air-conditioner': 'condenser',
  'split-heat-pump': 'heat-pump',
  'packaged-heat-pump': 'heat-pump',
  'air-handler-electric-heat': 'none',
  'gas-furnace-with-coil': 'condenser',
  'ductless-heat-pump': 'inverter',
};

function microfaradsOf(kind: SystemKind, plate: Plate) {
  const parts = componentsFor(kind, plate);
  const section = (slot: Slot, lug: 'herm' | 'fan' | 'single') => {
    const part = parts.find((p) => p.slot === slot);
    return part && ratingOf(part)?.sections.find((s) => s.lug === lug)?.microfarads;
  };
  return {
    hermMicrofarads: section('run-capacitor', 'herm') ?? section('run-capacitor', 'single') ?? 40,
    fanMicrofarads: section('run-capacitor', 'fan') ?? section('fan-capacitor', 'single') ?? 5,
    blowerMicrofarads: section('blower-capacitor', 'single') ?? 7.5,
  };
}

/** Whether a thermostat calls for electric heat in two stages: without a compressor, and with more banks than one switch has. */
export const hasSecondStage = ({ outdoors, banks }: Pick<MachineSpec, 'outdoors' | 'banks'>): boolean =>
  outdoors === 'none' && banks.length > 2;

const outdoorFanOf = (plate: Plate): number => plate.outdoorFanFla ?? 1.2;
/** RLA of a plate that does not say it: from its MCA, else 5.5 A a ton (common practice, no source). */
const compressorAmpsOf = (plate: Plate): number =>
  0.75 *
  (plate.compressorRla ??
    (plate.mca === undefined ? 5.5 * (plate.tons ?? 3) : Math.max(2, (plate.mca - outdoorFanOf(plate)) / 1.25)));

/** What electric heat is taken to be where its plate is silent, kW. */
export const USUAL_KILOWATTS = 10;

/** How many banks the circuits have. */
export const MOST_BANKS = 4;

/** What a system's circuits are built from, by its kind and plate. Amps are what it draws running, three quarters of RLA. */
export function machineSpecOf(kind: SystemKind, plate: Plate): MachineSpec {
  const slots = new Set(componentsFor(kind, plate).map(({ slot }) => slot));
  const strips = slots.has('electric-heat');
  const indoors =
    kind === 'gas-furnace-with-coil' ? 'furnace' : kind === 'ductless-heat-pump' ? 'head' : ('air-handler' as const);
  const elements = likelyElementsOf(plate);
  const bank = heaterResistance({
    kilowatts: (heatKilowattsOf(plate) ?? USUAL_KILOWATTS) / elements,
    ratedVolts: heatVoltsOf(plate),
  });
  return {
    kind,
    indoors,
    outdoors: OUTDOORS[kind],
    packaged: kind === 'packaged-heat-pump',
    blower: plate.blowerMotor ?? 'psc',
    blowerAmps: 0.7 * (plate.blowerFla ?? 4),
    banks:
      strips && bank.outcome === 'value'
        ? Array.from({ length: Math.min(MOST_BANKS, elements) }, () => bank.value)
        : [],
    heatSwitch: plate.heatSwitch ?? 'sequencer',
    lineVolts: nominalVoltsOf(plate),
    controlFuseAmps: controlFuseOf(plate),
    compressorAmps: compressorAmpsOf(plate),
    outdoorFanAmps: 0.8 * outdoorFanOf(plate),
    ...microfaradsOf(kind, plate),
    startKit: slots.has('start-capacitor'),
    // Usual where the plate is silent; common practice, no source.
    contactorPoles: isHeatPump(kind) ? 2 : 1,
    crankcaseHeater: isHeatPump(kind),
    switches: hasOutdoorUnit(kind) ? (plate.pressureSwitches ?? 'low-high') : 'none',
    defrost: isHeatPump(kind) && kind !== 'ductless-heat-pump' ? (plate.defrostControl ?? 'time-temperature') : 'none',
    panHeater: slots.has('base-pan-heater') ? 240 ** 2 / (plate.panHeaterWatts ?? 120) : null,
    slots,
  };
}
