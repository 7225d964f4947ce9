import fc from 'fast-check';
import { checkTerminals } from './windings.ts';

// Ohm's law: resistances in series add up.
test('R to S is the sum of both windings', () => {
  expect(checkTerminals({ commonToRun: 0.8, commonToStart: 2.4, runToStart: 3.2 })).toEqual({
    agrees: true,
    expected: 3.2,
  });
  expect(checkTerminals({ commonToRun: 0.8, commonToStart: 2.4, runToStart: 4.1 }).agrees).toBe(false);
  expect(checkTerminals({ commonToRun: 0.8, commonToStart: 2.4, runToStart: 1.6 }).agrees).toBe(false);
});

test('property: a sound compressor agrees whatever its windings', () => {
  const ohms = fc.double({ min: 0.2, max: 20, noNaN: true });
  fc.assert(
    fc.property(ohms, ohms, (commonToRun, commonToStart) =>
      expect(checkTerminals({ commonToRun, commonToStart, runToStart: commonToRun + commonToStart }).agrees).toBe(true),
    ),
  );
});
