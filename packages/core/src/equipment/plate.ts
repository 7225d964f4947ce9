import { SENSOR_CURVE_IDS } from './sensor-curves.ts';
import { z } from 'zod';
import { SWITCH_ORDERS } from './switch-order.ts';
import { SYSTEM_KINDS } from './system-kind.ts';

const words = (max: number) => z.string().trim().max(max, `at most ${max} characters`).optional();
const number = (low: number, high: number, unit: string) =>
  z
    .number({ error: `must be a number in ${unit}` })
    .min(low, `at least ${low} ${unit}`)
    .max(high, `at most ${high} ${unit}`);
const amount = (low: number, high: number, unit: string) => number(low, high, unit).optional();
const count = (most: number) =>
  z.number({ error: 'must be a whole number' }).int('a whole number').min(1).max(most, `at most ${most}`).optional();

/** One point of a manufacturer's heating chart: outdoor air °F, and what the gauges should show, psig. */
export const chartPointSchema = z.object({
  outdoorF: number(-40, 80, '°F'),
  suctionPsig: amount(0, 400, 'psig'),
  liquidPsig: amount(0, 900, 'psig'),
});

/** One point of a sensor's chart: °F and Ω. */
export const sensorPointSchema = z.object({ fahrenheit: number(-60, 250, '°F'), ohms: number(1, 10_000_000, 'Ω') });

/** What a low-voltage fuse may say, A: the least and the most. */
export const FUSE_AMPS = [0.5, 15] as const;
/** As many wires as are noted of a system, and of one part of it. */
export const MOST_WIRES = 40;
export const MOST_WIRES_OF_PART = 12;

/** Which wire was on which lug. */
export const wireNoteSchema = z.object({
  on: z.string().trim().min(1, 'on what?').max(40, 'at most 40 characters'),
  lug: z.string().trim().max(30, 'at most 30 characters'),
  color: z.string().trim().max(40, 'at most 40 characters'),
});

/**
 * What a system's plates say, as far as they could be read: every figure may be missing, and each missing one costs
 * only the verdicts that rest on it. Amps in A, charge in oz, capacity in nominal tons, electric heat in kW.
 */
export const plateSchema = z.object({
  make: words(60),
  model: words(60),
  serial: words(60),
  year: z.number({ error: 'must be a year' }).int('a whole year').min(1960, '1960 or later').max(2100).optional(),
  refrigerant: words(20),
  factoryChargeOz: amount(1, 2000, 'oz'),
  metering: z.enum(['fixed-orifice', 'expansion-valve']).optional(),
  targetSubcoolingF: amount(1, 30, '°F'),
  tons: amount(0.5, 20, 'tons'),
  altitudeFt: amount(-500, 15_000, 'ft'),
  volts: z.enum(['208/230', '230', '208', '115']).optional(),
  phase: z.union([z.literal(1), z.literal(3)]).optional(),
  hertz: z.union([z.literal(60), z.literal(50)]).optional(),
  /** 2 where it has a low and a high stage; 1, or not said, where it has one. */
  compressorStages: z.union([z.literal(1), z.literal(2)]).optional(),
  compressorRla: amount(0.5, 200, 'A'),
  compressorLra: amount(2, 1000, 'A'),
  outdoorFanFla: amount(0.1, 30, 'A'),
  blowerFla: amount(0.1, 50, 'A'),
  outdoorFanMotor: z.enum(['psc', 'ecm']).optional(),
  blowerMotor: z.enum(['psc', 'ecm']).optional(),
  mca: amount(1, 300, 'A'),
  mocp: amount(5, 400, 'A'),
  /** The low-voltage fuse as its board or holder says it. */
  controlFuseAmps: amount(...FUSE_AMPS, 'A'),
  capacitorRating: words(60),
  fanCapacitorRating: words(60),
  startCapacitorRating: words(60),
  blowerCapacitorRating: words(60),
  /** Electric heat: rated power at rated volts, number of elements and of circuits, plate amps of each circuit. */
  heatKilowatts: amount(0.5, 60, 'kW'),
  heatVolts: amount(100, 600, 'V'),
  heatElements: count(6),
  heatCircuits: count(3),
  heatCircuitAmps: z
    .array(number(1, 200, 'A'))
    .max(3)
    .optional(),
  heatSwitch: z.enum(['sequencer', 'relay']).optional(),
  gasRiseLowF: amount(5, 120, '°F'),
  gasRiseHighF: amount(10, 150, '°F'),
  /** How the pressure switches are wired between the board and the contactor coil, as traced on the machine. */
  pressureSwitches: z.enum(SWITCH_ORDERS).optional(),
  defrostControl: z.enum(['time-temperature', 'demand']).optional(),
  defrostIntervalMin: amount(10, 180, 'min'),
  defrostTerminationF: amount(30, 120, '°F'),
  sensorR25: amount(100, 1_000_000, 'Ω'),
  sensorBeta: amount(1000, 8000, 'K'),
  /** A usual curve by its name, where neither beta nor a chart is known. */
  sensorCurve: z.enum(SENSOR_CURVE_IDS).optional(),
  sensorChart: z.array(sensorPointSchema).max(40).optional(),
  heatingChart: z.array(chartPointSchema).max(20).optional(),
  panHeaterWatts: amount(5, 1000, 'W'),
  filterSize: words(40),
  /** Where the indoor and outdoor units, the filter and the disconnect are to be found. */
  whereabouts: words(200),
  wires: z.array(wireNoteSchema).max(MOST_WIRES).optional(),
});
/** A plate as read; see plateSchema. */
export type Plate = z.infer<typeof plateSchema>;

export const systemKindSchema = z.enum(SYSTEM_KINDS);

/** Mains frequency of a plate, Hz; 60 when the plate does not say. */
export const hertzOf = (plate: Plate): 50 | 60 => plate.hertz ?? 60;

/**
 * The supply voltage a plate's volts stand for, V: 240 for "208/230" and "230" plates, 208 and 120 for theirs.
 * A plate that could not be read counts as 240, the usual residential supply (common practice, no source).
 */
export function nominalVoltsOf(plate: Plate): 240 | 208 | 120 {
  if (plate.volts === '115') return 120;
  return plate.volts === '208' ? 208 : 240;
}

/** Whether its compressor has a low stage beside the one its plate speaks of. */
export const isTwoStage = ({ compressorStages }: Plate): boolean => compressorStages === 2;

/** The volts electric heat is rated at, V: its own plate's, else the supply's. */
export const heatVoltsOf = (plate: Plate): number => plate.heatVolts ?? nominalVoltsOf(plate);
/** A of the low-voltage fuse; 5 where nobody noted it, the usual one (common practice, no source). */
export const controlFuseOf = (plate: Plate): number => plate.controlFuseAmps ?? 5;
/** Rated kW of the electric heat: as printed, else by the amps of all its circuits at rated volts; undefined where the plate has neither. */
export function heatKilowattsOf(plate: Plate): number | undefined {
  const { heatKilowatts, heatCircuitAmps = [], heatCircuits } = plate;
  if (heatKilowatts !== undefined) return heatKilowatts;
  if (heatCircuitAmps.length === 0 || heatCircuitAmps.length < (heatCircuits ?? 1)) return undefined;
  return (heatCircuitAmps.reduce((sum, amps) => sum + amps, 0) * heatVoltsOf(plate)) / 1000;
}
/** What one element of electric heat is as a rule, kW; common practice, no source. */
const USUAL_ELEMENT_KW = 5;
/** Number of heating elements a plate names, else what is usual for its kW: how a heater is built is not known then. */
export const likelyElementsOf = (plate: Plate): number =>
  plate.heatElements ?? Math.max(1, Math.round((heatKilowattsOf(plate) ?? 0) / USUAL_ELEMENT_KW));
/** Number of heating elements a plate names; 1 when it does not say. */
export const heatElementsOf = (plate: Plate): number => plate.heatElements ?? 1;
/** Number of circuits that feed the electric heat; 1 when the plate does not say. */
export const heatCircuitsOf = (plate: Plate): number => plate.heatCircuits ?? plate.heatCircuitAmps?.length ?? 1;
