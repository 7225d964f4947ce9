import { SENSOR_CURVES, type SensorCurve } from './sensor-curves.ts';

const ohmsAt = (curve: SensorCurve, celsius: number): number => {
  const { r25, beta } = SENSOR_CURVES[curve];
  return r25 * Math.exp(beta * (1 / (celsius + 273.15) - 1 / 298.15));
};

// Tables of the two types at 0, 10, 25, 40 and 50 °C, from memory; a curve of one beta lies within 2 % of them.
test.each([
  ['10k-type-2', { 0: 32_650, 10: 19_900, 25: 10_000, 40: 5327, 50: 3602 }],
  ['10k-type-3', { 0: 29_490, 10: 18_790, 25: 10_000, 40: 5592, 50: 3893 }],
  ['5k-type-2', { 0: 16_325, 25: 5000, 50: 1801 }],
] as const)('%s reads as its table does, within 2 %%', (curve, table) => {
  for (const [celsius, ohms] of Object.entries(table))
    expect(Math.abs(ohmsAt(curve, Number(celsius)) / ohms - 1)).toBeLessThan(0.02);
});
