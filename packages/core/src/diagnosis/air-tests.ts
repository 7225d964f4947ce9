import type { AirQuantity } from '../circuit/air-side.ts';
import type { Slot } from '../equipment/component.ts';
import { span } from './answers.ts';
import type { Answer, Spot } from './test-shape.ts';

/** How a quantity of air or refrigerant is read: as which reading, where, and the answers that are told apart. */
export interface AirFacts {
  readonly kind: string;
  readonly point: string;
  readonly slot: Slot;
  readonly method: string;
  readonly answers: readonly Answer[];
  readonly floor: number;
  readonly spot: Spot;
  readonly minutes: number;
}
const degrees = (point: string, answers: readonly Answer[], floor: number, spot: Spot, minutes: number): AirFacts => ({
  kind: 'hunt-degrees',
  point,
  slot: 'supply',
  method: 'probes',
  answers,
  floor,
  spot,
  minutes,
});

/** What is read of a heat pump that heats, at its outdoor unit. */
const heating = (point: string, answers: readonly Answer[], floor: number, minutes: number): AirFacts => ({
  ...degrees(point, answers, floor, 'outdoors', minutes),
  method: 'heating',
});

/** What is read off a scale of its own and judged there and then. */
const judged = (point: string, answers: readonly Answer[], floor: number, spot: Spot, minutes: number): AirFacts => ({
  ...degrees(point, answers, floor, spot, minutes),
  kind: 'hunt-look',
  method: point,
});

/** Each quantity as it is read. */
export const AIR: Readonly<Record<AirQuantity, AirFacts>> = {
  split: {
    kind: 'temperature-split',
    point: 'whole',
    slot: 'air-side',
    method: 'supply',
    answers: [span('none', -Infinity, 6), span('small', 6, 14.5), span('usual', 14.5, 22), span('large', 22, Infinity)],
    floor: 1.2,
    spot: 'indoors',
    minutes: 3,
  },
  superheat: {
    kind: 'superheat',
    point: 'suction',
    slot: 'refrigerant-circuit',
    method: 'gauges',
    answers: [span('low', -Infinity, 6), span('right', 6, 17), span('high', 17, Infinity)],
    floor: 2.2,
    spot: 'outdoors',
    minutes: 6,
  },
  subcooling: {
    kind: 'subcooling',
    point: 'liquid',
    slot: 'refrigerant-circuit',
    method: 'gauges',
    answers: [span('low', -Infinity, 6.8), span('right', 6.8, 13.5), span('high', 13.5, Infinity)],
    floor: 1.3,
    spot: 'outdoors',
    minutes: 4,
  },
  'condensing-over-air': degrees(
    'over-air',
    [span('usual', -Infinity, 28), span('high', 28, Infinity)],
    3,
    'outdoors',
    4,
  ),
  'static-pressure': judged(
    'static-pressure',
    [span('usual', -Infinity, 0.75), span('high', 0.75, Infinity)],
    0.08,
    'indoors',
    5,
  ),
  'return-gain': degrees(
    'return-gain',
    [span('usual', -Infinity, 3.5), span('warm', 3.5, Infinity)],
    0.8,
    'indoors',
    4,
  ),
  'compressor-share': judged(
    'compressor-share',
    [span('little', -Infinity, 0.76), span('usual', 0.76, 1.15), span('much', 1.15, Infinity)],
    0.06,
    'outdoors',
    2,
  ),
  'valve-gain': degrees('valve-gain', [span('usual', -Infinity, 5), span('warm', 5, Infinity)], 1, 'outdoors', 5),
  'heating-rise': judged(
    'heating-rise',
    [span('little', -Infinity, 0.8), span('usual', 0.8, 1.25), span('much', 1.25, Infinity)],
    0.06,
    'indoors',
    4,
  ),
  'under-air': heating(
    'under-air',
    [span('small', -Infinity, 7), span('usual', 7, 19), span('large', 19, Infinity)],
    2,
    5,
  ),
  'over-return': heating(
    'over-return',
    [span('low', -Infinity, 30), span('usual', 30, 50), span('high', 50, Infinity)],
    3,
    5,
  ),
  'heating-subcooling': heating(
    'liquid-heating',
    [span('low', -Infinity, 5.5), span('right', 5.5, 15), span('high', 15, Infinity)],
    1.5,
    4,
  ),
  'standing-pressure': judged(
    'at-rest',
    [span('low', -Infinity, 0.85), span('right', 0.85, Infinity)],
    0.05,
    'outdoors',
    8,
  ),
  'flame-signal': judged('flame-signal', [span('low', -Infinity, 1), span('good', 1, Infinity)], 0.2, 'indoors', 3),
  'gas-inlet': judged('gas-inlet', [span('low', -Infinity, 4), span('right', 4, Infinity)], 0.4, 'indoors', 4),
  'sensor-off': {
    kind: 'sensor-error',
    point: 'whole',
    slot: 'coil-sensor',
    method: 'ohms',
    answers: [span('right', -Infinity, 4), span('off', 4, Infinity)],
    floor: 1,
    spot: 'outdoors',
    minutes: 5,
  },
};

/** What a reversing valve that leaks adds to the suction gas, read in heating. */
export const VALVE_IN_HEATING = heating('valve-gain', AIR['valve-gain'].answers, 1, 5);

/** The split as a hand at a register tells it. */
export const SUPPLY_AIR = judged(
  'supply-air',
  [span('warm', -Infinity, -6), span('as-room', -6, 8), span('cold', 8, Infinity)],
  3,
  'thermostat',
  3,
);
