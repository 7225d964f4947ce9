import { heatElementsOf, nominalVoltsOf, type Component, type Day, type Plate, type SystemKind } from '@yarnix/core';
import { randomFrom, seedOf } from './random.ts';
import { drawWear, type SectionWear } from './wear.ts';

/** Faults that can be put into a house, for practice and for tests. */
export const FAULTS = {
  'low-charge': 'Low charge',
  'dirty-filter': 'Dirty filter',
  'strip-welded': 'A strip stays on in cooling',
  'element-open': 'A heating element is open',
  'weak-herm': 'Compressor section of the capacitor weak',
  'weak-fan-section': 'Fan section of the capacitor weak',
  'weak-blower-capacitor': 'Blower capacitor weak',
  'sensor-warm': 'Coil sensor reads warm',
  'contact-pitted': 'Contactor pitted',
  'coil-jumps': 'Contactor coil failing',
  'no-defrost-heat': 'No auxiliary heat in defrost',
  'high-switch-open': 'High pressure switch open',
  'contactor-welded': 'Contactor welded',
  'blower-relay-welded': 'Blower relay welded',
  'sequencer-slow': 'First contact of the sequencer late',
  'winding-open': 'Compressor’s start winding open',
  'pan-heater-open': 'Base pan heater open',
  'coil-thermostat-shut': 'Coil thermostat stuck shut',
} as const;
export type Fault = keyof typeof FAULTS;

/** The parts whose replacement ends a fault; what is not here is ended by a repair, which no model sees. */
const ENDED_BY: Readonly<Partial<Record<Fault, readonly Component['slot'][]>>> = {
  'strip-welded': ['sequencer', 'heat-relay'],
  'element-open': ['electric-heat'],
  'weak-herm': ['run-capacitor'],
  'weak-fan-section': ['run-capacitor', 'fan-capacitor'],
  'weak-blower-capacitor': ['blower-capacitor'],
  'sensor-warm': ['coil-sensor'],
  'contact-pitted': ['contactor'],
  'coil-jumps': ['contactor'],
  'high-switch-open': ['high-pressure-switch'],
  'contactor-welded': ['contactor'],
  'blower-relay-welded': ['blower-relay'],
  'sequencer-slow': ['sequencer'],
  'winding-open': ['compressor'],
  'pan-heater-open': ['base-pan-heater'],
  'coil-thermostat-shut': ['defrost-board'],
};

/** The faults that are still there: those whose part was not fitted anew on the day, or the one before: clocks and zones differ. */
export const faultsLeft = (
  faults: readonly Fault[],
  parts: readonly Pick<Component, 'slot' | 'fittedOn'>[],
  { installedOn, day }: { installedOn: Day | null; day: Day },
): ReadonlySet<Fault> =>
  new Set(
    faults.filter(
      (fault) =>
        !parts.some(
          ({ slot, fittedOn }) =>
            // Where nobody knows since when it stands, only what was fitted later has a day.
            fittedOn !== null &&
            fittedOn > (installedOn ?? -Infinity) &&
            fittedOn >= day - 1 &&
            ENDED_BY[fault]?.includes(slot),
        ),
    ),
  );

/** What one house's equipment truly is and draws, before meters and weather; drawn from its id, so that it is the same again. */
export interface ModelHouse {
  readonly kind: SystemKind;
  readonly plate: Plate;
  /** Amps at 77 °F outdoors and full capacitance. */
  readonly compressorAmps: number;
  readonly outdoorFanAmps: number;
  readonly blowerAmps: number;
  /** Rise of compressor amps a year, share. */
  readonly compressorRisePerYear: number;
  /** Change of blower amps a year as the filter and wheel load up, share. */
  readonly blowerDriftPerYear: number;
  readonly lineVolts: number;
  readonly controlVolts: number;
  /** Airflow at installation, CFM, and what is lost of it a year, share. */
  readonly cfm: number;
  readonly cfmLossPerYear: number;
  /** True resistance of each heating element, Ω. */
  readonly elementOhms: readonly number[];
  /** Seconds until each sequencer contact closes. */
  readonly closingSeconds: readonly number[];
  readonly contactorOhms: number;
  readonly relayOhms: number;
  readonly sequencerOhms: number;
  /** Volts across the contactor's closed contact when new, and gained a year. */
  readonly contactVolts: number;
  readonly contactVoltsPerYear: number;
  /** How far superheat and subcooling lie from where they should, °F. */
  readonly superheatOffF: number;
  readonly subcoolingOffF: number;
  /** Error of coil and outdoor sensor, °F, when new and gained a year. */
  readonly sensorErrorF: number;
  readonly sensorDriftF: number;
  readonly panHeaterOhms: number;
  readonly gasRiseF: number;
  readonly defrostMinutes: number;
  readonly splitF: number;
}

/** Rated resistance of one element of the plate's electric heat, Ω. */
const ratedElementOhms = (plate: Plate): number =>
  240 ** 2 / ((1000 * (plate.heatKilowatts ?? 10)) / heatElementsOf(plate));

/** The hidden truth of a house, drawn from the system's id and its plate. */
export function houseOf(systemId: string, kind: SystemKind, plate: Plate): ModelHouse {
  const random = randomFrom(seedOf(systemId));
  const tons = plate.tons ?? 3;
  const rla =
    plate.compressorRla ?? (plate.mca === undefined ? 5 * tons + 2 : (plate.mca - (plate.outdoorFanFla ?? 1.2)) / 1.25);
  const ohms = ratedElementOhms(plate);
  return {
    kind,
    plate,
    compressorAmps: rla * random.between(0.66, 0.8),
    outdoorFanAmps: (plate.outdoorFanFla ?? 1.2) * random.between(0.68, 0.86),
    blowerAmps: (plate.blowerFla ?? 4) * random.between(0.55, 0.8),
    compressorRisePerYear: random.chance(0.16) ? random.between(0.015, 0.035) : random.between(0, 0.004),
    blowerDriftPerYear: random.normal(0, 0.01),
    lineVolts: (nominalVoltsOf(plate) / 240) * (random.chance(0.06) ? 254 : random.normal(241, 2.5)),
    controlVolts: random.normal(26, 0.6),
    cfm: tons * random.between(365, 430),
    cfmLossPerYear: random.chance(0.2) ? random.between(0.01, 0.03) : random.between(0, 0.005),
    elementOhms: Array.from({ length: 6 }, () => ohms * random.normal(1, 0.015)),
    closingSeconds: Array.from({ length: 6 }, (_, i) => 22 + 16 * i + random.between(0, 8)),
    contactorOhms: random.between(11, 18),
    relayOhms: random.between(62, 80),
    sequencerOhms: random.between(40, 90),
    contactVolts: random.between(0.03, 0.12),
    contactVoltsPerYear: random.chance(0.15) ? random.between(0.1, 0.3) : random.between(0, 0.02),
    superheatOffF: random.normal(0, 1.5),
    subcoolingOffF: random.chance(0.12) ? random.normal(-5, 1.5) : random.normal(0, 0.9),
    sensorErrorF: random.normal(0, 0.7),
    sensorDriftF: random.chance(0.12) ? random.between(0.6, 1.4) : random.between(0, 0.15),
    panHeaterOhms: (240 ** 2 / (plate.panHeaterWatts ?? 120)) * random.normal(1, 0.02),
    gasRiseF: random.normal(50, 4),
    defrostMinutes: random.between(2.5, 6),
    splitF: random.normal(18.5, 1),
  };
}

/** The hidden wear of a capacitor's section, drawn from the part's id. */
export function wearOf(part: Component & { id: string }, lug: string, microfarads: number): SectionWear {
  return drawWear(randomFrom(seedOf(`${part.id}/${lug}`)), microfarads);
}
