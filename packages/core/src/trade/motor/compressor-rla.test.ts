import fc from 'fast-check';
import { compressorRlaFromPlate } from './compressor-rla.ts';

// Source: NEC article 440: minimum circuit ampacity = 1.25 × RLA + other loads. Checked both ways round.
test('property: the MCA of the derived RLA is the plate’s MCA again', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 5, max: 60, noNaN: true }),
      fc.double({ min: 0.3, max: 4, noNaN: true }),
      (mca, fanFla) => {
        const derived = compressorRlaFromPlate({ mca, fanFla });
        expect(derived.outcome === 'value' && 1.25 * derived.rla + fanFla).toBeCloseTo(mca, 9);
      },
    ),
  );
});

test('the worked number of the docstring', () => {
  expect(compressorRlaFromPlate({ mca: 26.1, fanFla: 1.2 })).toEqual({
    outcome: 'value',
    rla: expect.closeTo(19.92, 10) as number,
  });
});

test.each([
  [{}, 'mca-missing'],
  [{ mca: null, fanFla: 1 }, 'mca-missing'],
  [{ mca: 20 }, 'fan-fla-missing'],
  [{ mca: 1, fanFla: 2 }, 'mca-not-above-fan'],
  [{ mca: NaN, fanFla: 1 }, 'mca-missing'],
])('%j cannot be said: %s', (plate, because) => {
  expect(compressorRlaFromPlate(plate)).toEqual({ outcome: 'cannot-say', because });
});
