import fc from 'fast-check';
import {
  ampsOfMilli,
  celsiusOf,
  fahrenheitOf,
  microfaradsOfNano,
  milliampsOfAmps,
  nanofaradsOfMicro,
} from './convert.ts';

// Fixed points by definition of the scales (BIPM SI brochure for the prefixes; °F from the ITS definition t/°F = 1.8 t/°C + 32).
test('fixed points', () => {
  expect(fahrenheitOf(100)).toBe(212);
  expect(fahrenheitOf(0)).toBe(32);
  expect(fahrenheitOf(-40)).toBe(-40);
  expect(celsiusOf(212)).toBe(100);
  expect(microfaradsOfNano(7500)).toBe(7.5);
  expect(ampsOfMilli(450)).toBe(0.45);
});

test.each([
  ['°C', fahrenheitOf, celsiusOf],
  ['nF', microfaradsOfNano, nanofaradsOfMicro],
  ['mA', ampsOfMilli, milliampsOfAmps],
])('there and back again is where one was: %s', (_unit, there, back) => {
  fc.assert(
    fc.property(fc.double({ min: -1e6, max: 1e6, noNaN: true }), (value) => {
      expect(back(there(value))).toBeCloseTo(value, 8);
    }),
  );
});
