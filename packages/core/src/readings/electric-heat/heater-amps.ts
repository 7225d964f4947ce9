import type { Point } from '../../equipment/component.ts';
import { heatCircuitsOf, heatElementsOf, heatKilowattsOf, heatVoltsOf, type Plate } from '../../equipment/plate.ts';
import { heaterAmps as ampsOf } from '../../trade/electric-heat/heater.ts';
import type { About, Inputs, Where } from '../contract/entry.ts';
import type { NumericKind } from '../contract/kind.ts';
import type { Limits } from '../../verdict/limits.ts';
import { clampAmps } from '../motor/motor-amps.ts';
import { around, noBasis, taken } from '../contract/window.ts';
import type { Policy } from '../../verdict/policy.ts';

const CIRCUITS: readonly Point[] = ['circuit-1', 'circuit-2', 'circuit-3'];
export const ELEMENTS: readonly Point[] = [
  'element-1',
  'element-2',
  'element-3',
  'element-4',
  'element-5',
  'element-6',
];

/** All of the heat, each circuit and each element, where there is more than one. */
export function heaterPointsOf({ plate }: Where): Point[] {
  const circuits = heatCircuitsOf(plate);
  const elements = heatElementsOf(plate);
  return [
    'total',
    ...(circuits > 1 ? CIRCUITS.slice(0, circuits) : []),
    ...(elements > 1 ? ELEMENTS.slice(0, elements) : []),
  ];
}

/** Rated kW of what is clamped at a point; null when the plate does not say. */
function kilowattsAt(plate: Plate, point: Point): number | null {
  const all = heatKilowattsOf(plate);
  if (all === undefined) return null;
  if (point === 'total') return all;
  if (point.startsWith('element')) return all / heatElementsOf(plate);
  const amps = plate.heatCircuitAmps?.[CIRCUITS.indexOf(point)];
  // The plate's amps of a circuit are at rated volts, so they stand for a power of their own.
  return amps === undefined ? all / heatCircuitsOf(plate) : (amps * heatVoltsOf(plate)) / 1000;
}

/** Amps at the volts measured (the rated ones when none were), A; null when the plate does not say. */
export function expectedHeaterAmps({ plate, point, conditions }: About): number | null {
  const kilowatts = kilowattsAt(plate, point);
  if (kilowatts === null) return null;
  const amps = ampsOf({ kilowatts, ratedVolts: heatVoltsOf(plate), volts: conditions?.lineVolts });
  return amps.outcome === 'value' ? amps.value : null;
}

function limits(about: About, policy: Policy): Limits {
  const expected = expectedHeaterAmps(about);
  return expected === null
    ? noBasis('heat-rating')
    : around(
        about.conditions?.lineVolts === undefined ? 'heater-amps-rated' : 'heater-amps',
        expected,
        policy.electricHeat.tolerancePercent,
      );
}

const openBelow = 0.5;
const evaluate = (inputs: Inputs) => {
  const read = clampAmps(inputs);
  return Number(inputs.amps) < openBelow && read.outcome === 'taken' ? taken(read.value ?? 0, [], ['open']) : read;
};

/**
 * Amps of the electric heat: all of it, each circuit, each element, at the volts measured. Elements are plain
 * resistances (Ohm's law), so what they should draw follows from the plate's kW and the volts at the unit.
 */
export const heaterAmps: NumericKind = {
  type: 'number',
  id: 'heater-amps',
  title: 'Electric heat amps',
  component: 'electric-heat',
  unit: 'A',
  plateLine: (about) => {
    const expected = expectedHeaterAmps(about);
    const volts = about.conditions?.lineVolts ?? heatVoltsOf(about.plate);
    const measured = about.conditions?.lineVolts === undefined ? ' rated, volts not measured' : '';
    return expected === null ? 'no kW on the plate' : `${expected.toFixed(1)} A at ${volts.toFixed(0)} V${measured}`;
  },
  wear: 'falls',
  movedBy: ['line volts: follow V/I, not bare amps', 'how many stages are in'],
  methods: [
    {
      id: 'clamp',
      title: 'clamp, strips alone',
      stops: ['electric-heat'],
      order: 20,
      points: heaterPointsOf,
      inputs: [{ id: 'amps', type: 'number', label: 'Amps', unit: 'A', overLimit: false, probe: 'clamp' }],
      evaluate,
      error: (value) => Math.hypot(0.1, 0.025 * value),
    },
  ],
  tells: ({ value, point }, conditions) =>
    value !== null && point === 'total' ? { ...conditions, heatAmps: value } : conditions,
  likeForLike: {
    words: ({ plate }) => `${heatVoltsOf(plate)} V`,
    at: ({ plate }) => ({ lineVolts: heatVoltsOf(plate) }),
    // A resistance draws in proportion to its volts (Ohm's law): what is followed is V/I.
    bring: (value, { plate, conditions = {} }) =>
      conditions.lineVolts === undefined
        ? { value, error: 0.025 * value, known: false }
        : { value: (value * heatVoltsOf(plate)) / conditions.lineVolts, error: 0, known: true },
  },
  limits,
  plausible: (about) => {
    const expected = expectedHeaterAmps(about);
    return expected === null ? { low: 0, high: 150 } : { low: 0, high: 1.6 * expected };
  },
  // Elements hold their resistance until they break. Common practice, no source.
  driftPrior: { meanShare: -0.001, sdShare: 0.006 },
};
