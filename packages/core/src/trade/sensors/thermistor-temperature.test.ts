import fc from 'fast-check';
import { thermistorTemperature } from './thermistor-temperature.ts';

const TYPE = { r25: 10_000, beta: 3950 };
const ohmsAt = (fahrenheit: number) =>
  TYPE.r25 * Math.exp(TYPE.beta * (1 / (((fahrenheit - 32) * 5) / 9 + 273.15) - 1 / 298.15));
const read = (ohms: number, by: Parameters<typeof thermistorTemperature>[1] = TYPE) => {
  const result = thermistorTemperature(ohms, by);
  return result.outcome === 'value' ? result.fahrenheit : NaN;
};

// Source: the definition of beta, R = R25 exp(β (1/T − 1/298.15)).
test('property: the temperature whose resistance was taken comes back', () => {
  expect(read(10_000)).toBeCloseTo(77, 9);
  fc.assert(
    fc.property(fc.double({ min: -40, max: 160, noNaN: true }), (at) => expect(read(ohmsAt(at))).toBeCloseTo(at, 6)),
  );
});

test('a chart of every 30 °F is read to a hundredth of a degree between its points', () => {
  const chart = [-10, 20, 50, 80, 110].map((fahrenheit) => ({ fahrenheit, ohms: ohmsAt(fahrenheit) }));
  for (const at of [-10, -3, 20, 33.5, 64, 110]) expect(read(ohmsAt(at), { chart })).toBeCloseTo(at, 2);
  expect(thermistorTemperature(ohmsAt(111), { chart })).toMatchObject({ because: 'outside-the-chart' });
  expect(thermistorTemperature(ohmsAt(-11), { chart })).toMatchObject({ because: 'outside-the-chart' });
});

test('cannot be said', () => {
  expect(thermistorTemperature(0, TYPE)).toMatchObject({ because: 'not-above-zero' });
  expect(thermistorTemperature(NaN, TYPE)).toMatchObject({ because: 'not-above-zero' });
  expect(thermistorTemperature(5000, { r25: 0, beta: 1 })).toMatchObject({ because: 'not-above-zero' });
  expect(thermistorTemperature(5000, { chart: [] })).toMatchObject({ because: 'too-few-points' });
  expect(
    thermistorTemperature(5000, {
      chart: [
        { fahrenheit: 0, ohms: 5000 },
        { fahrenheit: 50, ohms: 9000 },
      ],
    }),
  ).toMatchObject({ because: 'not-monotone' });
});
