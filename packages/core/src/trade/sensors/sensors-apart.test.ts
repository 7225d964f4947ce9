import { sensorsApart } from './sensors-apart.ts';
import { thermistorTemperature } from './thermistor-temperature.ts';

// Source: the definition of beta, R = R25 exp(β (1/T − 1/298.15)); the approximation against the curve itself.
test.each([
  [11_000, 10_000, 77],
  [9500, 10_000, 77],
  [26_000, 24_000, 41],
])('%f and %f Ω lie as far apart as their temperatures by the curve', (first, second, airF) => {
  const curve = { r25: 10_000, beta: 3950 };
  const at = (ohms: number) => {
    const read = thermistorTemperature(ohms, curve);
    return read.outcome === 'value' ? read.fahrenheit : NaN;
  };
  expect(sensorsApart(first, second, { beta: 3950, airF })).toBeCloseTo(at(second) - at(first), 0);
});

test('alike is zero, and the one with more ohms is the colder', () => {
  expect(sensorsApart(10_000, 10_000, { beta: 3950, airF: 77 })).toBe(0);
  expect(sensorsApart(12_000, 10_000, { beta: 3950, airF: 77 })).toBeGreaterThan(0);
});
