import fc from 'fast-check';
import { threeWireCheck } from './three-wire-check.ts';

// common² ≈ run² + start²: common practice, no source; the arithmetic of two currents a quarter cycle apart is Pythagoras.
test('5, 12 and 13 agree, as in the docstring', () => {
  expect(threeWireCheck({ common: 13, run: 12, start: 5 })).toEqual({
    outcome: 'agrees',
    expectedCommon: 13,
    offPercent: 0,
  });
});

test('a wrong wire is noticed: run clamped for common', () => {
  expect(threeWireCheck({ common: 16, run: 10, start: 5 })).toMatchObject({ outcome: 'misses' });
  expect(threeWireCheck({ common: 9, run: 10, start: 5 })).toMatchObject({
    outcome: 'misses',
    offPercent: expect.any(Number) as number,
  });
});

test('property: two phasors a quarter cycle apart always agree with their sum', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 1, max: 40, noNaN: true }),
      fc.double({ min: 0, max: 20, noNaN: true }),
      (run, start) => {
        const steps = 720;
        // The sum's effective value, integrated over one cycle rather than by the formula.
        let squares = 0;
        for (let i = 0; i < steps; i += 1) {
          const angle = (2 * Math.PI * i) / steps;
          squares += (run * Math.SQRT2 * Math.sin(angle) + start * Math.SQRT2 * Math.cos(angle)) ** 2;
        }
        const common = Math.sqrt(squares / steps);
        expect(threeWireCheck({ common, run, start })).toMatchObject({
          outcome: 'agrees',
          expectedCommon: expect.closeTo(common, 9) as number,
        });
      },
    ),
  );
});

test('cannot be said', () => {
  expect(threeWireCheck({ common: NaN, run: 1, start: 1 })).toMatchObject({ because: 'not-a-number' });
  expect(threeWireCheck({ common: 5, run: -1, start: 1 })).toMatchObject({ because: 'not-a-number' });
  expect(threeWireCheck({ common: 5, run: 0, start: 1 })).toMatchObject({ because: 'no-run-amps' });
});
