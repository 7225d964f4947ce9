import {
  DAYS_A_YEAR,
  heatCircuitsOf,
  heatElementsOf,
  moistAir,
  nominalVoltsOf,
  ratingOf,
  refrigerantName,
  saturationPressure,
  SENSOR_CURVES,
  targetSuperheat,
  type Component,
  type Day,
  type Point,
} from '@yarnix/core';
import { heatingSaturation } from './draw-plate.ts';
import { wearOf, type Fault, type ModelHouse } from './model-house.ts';
import { capacitanceAfter } from './wear.ts';

/** A house on a day: its weather, its age, its parts as they stand, and what is wrong with it. */
export interface Scene {
  readonly house: ModelHouse;
  readonly parts: readonly (Component & { id: string })[];
  readonly installedOn: Day;
  readonly day: Day;
  readonly season: 'spring' | 'fall';
  readonly outdoorF: number;
  readonly faults: ReadonlySet<Fault>;
}

export const yearsOf = (scene: Scene): number => (scene.day - scene.installedOn) / DAYS_A_YEAR;

/** What a perfect meter would read of a capacitor's section, µF. */
export function trueMicrofarads(scene: Scene, part: Component & { id: string }, lug: Point): number {
  const rated = ratingOf(part)?.sections.find((s) => s.lug === lug)?.microfarads ?? 0;
  const years = (scene.day - (part.fittedOn ?? scene.installedOn)) / DAYS_A_YEAR;
  const sound = capacitanceAfter(wearOf(part, lug, rated), Math.max(0, years), rated);
  const weak =
    (scene.faults.has('weak-blower-capacitor') && part.slot === 'blower-capacitor') ||
    (scene.faults.has('weak-herm') && (lug === 'herm' || part.slot === 'run-capacitor') && lug !== 'fan') ||
    (scene.faults.has('weak-fan-section') && (lug === 'fan' || part.slot === 'fan-capacitor'));
  return weak ? Math.min(sound, 0.82 * rated) : sound;
}

function hermShare(scene: Scene): number {
  const part = scene.parts.find((p) => p.slot === 'run-capacitor');
  const section = part && ratingOf(part)?.sections.find((s) => s.lug === 'herm' || s.lug === 'single');
  return part && section ? trueMicrofarads(scene, part, section.lug) / section.microfarads : 1;
}

/** What the weather makes of compressor amps: they rise with the pressure it pumps against, in either mode. */
const weatherShare = ({ season, outdoorF }: Scene): number =>
  season === 'spring' ? 1 + 0.0075 * (outdoorF - 77) : 0.98 * (1 + 0.0035 * (outdoorF - 47));

/** Compressor amps on its three wires: they rise with outdoor temperature, low volts, age, and a weak capacitor. */
export function compressorWires(scene: Scene) {
  const { house } = scene;
  const share = hermShare(scene);
  const volts = Math.sqrt(nominalVoltsOf(house.plate) / house.lineVolts);
  const weather = weatherShare(scene) * volts;
  const charge = scene.faults.has('low-charge') ? 0.8 : 1;
  const age = 1 + house.compressorRisePerYear * yearsOf(scene);
  const common = house.compressorAmps * weather * charge * age * (1 + 0.4 * Math.max(0, 1 - share));
  const part = scene.parts.find((p) => p.slot === 'run-capacitor');
  const lug = part && ratingOf(part)?.sections.find((s) => s.lug === 'herm' || s.lug === 'single')?.lug;
  const start = part && lug ? Math.min((trueMicrofarads(scene, part, lug) * 350) / 2653, 0.7 * common) : 0.3 * common;
  return { common, start, run: Math.sqrt(common * common - start * start), line: common };
}

/** Airflow now, CFM. */
export function cfmOf(scene: Scene): number {
  const { house } = scene;
  const loaded = Math.max(0.6, 1 - house.cfmLossPerYear * yearsOf(scene));
  return house.cfm * loaded * (scene.faults.has('dirty-filter') ? 0.68 : 1);
}

/** Air into and out of the indoor unit, °F. */
export function airOf(scene: Scene) {
  const { house } = scene;
  if (scene.season === 'fall') {
    const returnF = 69.4;
    const kilowatts = elementAmps(scene, 'total') * (house.lineVolts / 1000);
    const gas = house.gasRiseF * (house.cfm / cfmOf(scene));
    const rise = house.kind === 'gas-furnace-with-coil' ? gas : (kilowatts * 3412) / (1.08 * cfmOf(scene));
    return { returnF, returnWetF: 55, supplyF: returnF + rise, supplyWetF: 70 };
  }
  const returnF = 75.2;
  const returnWetF = 63.1;
  const strips = scene.faults.has('strip-welded') ? (5 * 3412) / (1.08 * cfmOf(scene)) : 0;
  const charge = scene.faults.has('low-charge') ? 0.55 : 1;
  const slow = Math.min(1.35, house.cfm / cfmOf(scene));
  const supplyF = returnF - house.splitF * charge * slow + strips;
  const leaving = moistAir({ dryBulbF: supplyF, relativeHumidity: 88 });
  return { returnF, returnWetF, supplyF, supplyWetF: leaving.outcome === 'value' ? leaving.wetBulbF : supplyF - 2 };
}

export const indexOf = (point: Point): number => Number(/\d/.exec(point)?.[0] ?? 1) - 1;
export const ohmsOf = (scene: Scene, index: number): number =>
  scene.faults.has('element-open') && index === 0 ? Infinity : (scene.house.elementOhms[index] ?? Infinity);

/** Amps of all the elements, of one, or of a circuit with its share of them. */
export function elementAmps(scene: Scene, point: Point): number {
  const { plate, lineVolts } = scene.house;
  const count = heatElementsOf(plate);
  if (point.startsWith('element')) return lineVolts / ohmsOf(scene, indexOf(point));
  const all = Array.from({ length: count }, (_, i) => lineVolts / ohmsOf(scene, i));
  const total = all.reduce((sum, amps) => sum + amps, 0);
  return point === 'total' ? total : total / heatCircuitsOf(plate);
}

/** Where the refrigerant boils and condenses, and how its lines lie beside that, °F. */
export function refrigerantOf(scene: Scene) {
  const { house } = scene;
  const low = scene.faults.has('low-charge');
  const slow = scene.faults.has('dirty-filter') ? 4 : 0;
  const valve = house.plate.metering !== 'fixed-orifice';
  const target = targetSuperheat({ indoorWetBulb: 63.1, outdoorDryBulb: scene.outdoorF });
  const wanted = valve ? 11 : target.outcome === 'value' ? target.degrees : 6;
  const cooling = { evaporating: 41 - (low ? 9 : 0) - slow, condensing: scene.outdoorF + 21 - (low ? 8 : 0) };
  const heating = heatingSaturation(scene.outdoorF);
  const at = scene.season === 'spring' ? cooling : { ...heating, evaporating: heating.evaporating - (low ? 8 : 0) };
  return {
    ...at,
    superheat: Math.max(1, wanted + house.superheatOffF + (low ? 18 : 0) - slow),
    subcooling: Math.max(1.5, (house.plate.targetSubcoolingF ?? 10) + house.subcoolingOffF - (low ? 8 : 0)),
  };
}

export function psig(scene: Scene, fahrenheit: number, side: 'bubble' | 'dew'): number {
  const refrigerant = refrigerantName(scene.house.plate.refrigerant ?? 'R-410A');
  const read = saturationPressure({ refrigerant, fahrenheit, side, altitudeFt: scene.house.plate.altitudeFt });
  return read.outcome === 'value' ? read.psig : 120;
}

export function sensorOhms(scene: Scene, component: Component): number {
  const { house } = scene;
  const warm = scene.faults.has('sensor-warm') && component.slot === 'coil-sensor' ? 9 : 0;
  const drift = component.slot === 'coil-sensor' ? house.sensorDriftF * yearsOf(scene) : 0;
  const kelvin = (scene.outdoorF + house.sensorErrorF + drift + warm - 32) / 1.8 + 273.15;
  const usual = SENSOR_CURVES[house.plate.sensorCurve ?? '10k-3435'];
  const { sensorR25 = usual.r25, sensorBeta = usual.beta } = house.plate;
  return sensorR25 * Math.exp(sensorBeta * (1 / kelvin - 1 / 298.15));
}
