import fc from 'fast-check';
import { capacitanceUnderLoad } from './capacitance-under-load.ts';

const value = (amps: number, volts: number, hertz: number, lineVolts?: number) => {
  const result = capacitanceUnderLoad({ amps, volts, hertz, lineVolts });
  if (result.outcome !== 'value') throw new Error(result.because);
  return result;
};

// Source: the definition of capacitive reactance, X = 1 / (2 π f C), as in any electrical engineering handbook.
test('the trade’s factors follow from the definition: 2653 at 60 Hz, 3183 at 50 Hz', () => {
  expect(value(1, 1, 60).microfarads).toBeCloseTo(2652.58, 2);
  expect(value(1, 1, 50).microfarads).toBeCloseTo(3183.1, 1);
});

test('the worked number of the docstring', () => {
  expect(value(5.36, 370, 60).microfarads).toBeCloseTo(38.43, 2);
});

test('property: the reactance of the result gives the amps back', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.01, max: 40, noNaN: true }),
      fc.double({ min: 50, max: 600, noNaN: true }),
      fc.constantFrom(50, 60),
      (amps, volts, hertz) => {
        const farads = value(amps, volts, hertz).microfarads / 1e6;
        const reactance = 1 / (2 * Math.PI * hertz * farads);
        expect(volts / reactance).toBeCloseTo(amps, 9);
      },
    ),
  );
});

// 1.15 × line: common practice, no source.
test('volts near the line’s are doubted: the meter was probably on the line', () => {
  expect(value(5, 240, 60).warnings[0]).toMatchObject({ code: 'doubtful-volts', lineVolts: 240 });
  expect(value(5, 275.9, 60).warnings).toHaveLength(1);
  expect(value(5, 276.1, 60).warnings).toHaveLength(0);
  expect(value(5, 270, 60, 230).warnings).toHaveLength(0);
  expect(value(5, 260, 50).warnings).toHaveLength(1);
});

test.each([
  [{ amps: 5, volts: 0, hertz: 60 }, 'no-volts'],
  [{ amps: 5, volts: -370, hertz: 60 }, 'no-volts'],
  [{ amps: NaN, volts: 370, hertz: 60 }, 'not-a-number'],
  [{ amps: -1, volts: 370, hertz: 60 }, 'not-a-number'],
  [{ amps: 1, volts: Infinity, hertz: 60 }, 'not-a-number'],
  [{ amps: 1, volts: 370, hertz: 0 }, 'unknown-frequency'],
])('cannot be said: %j is %s', (reading, because) => {
  expect(capacitanceUnderLoad(reading)).toEqual({ outcome: 'cannot-say', because });
});

test('no amps at all is an open section, not an error', () => {
  expect(value(0, 370, 60).microfarads).toBe(0);
});
