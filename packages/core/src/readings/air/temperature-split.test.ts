import { enter, judged } from '../../testing/reading.ts';
import { temperatureSplit as kind } from './temperature-split.ts';

const conditions = { returnF: 75, returnWetF: 63, runningMin: 14 };

// Common practice, no source: 15 to 22 °F at ordinary humidity.
test.each([
  [57, 'sound'],
  [64, 'act'],
  [50, 'act'],
])('supply at %f °F from 75 is %s', (supplyF, standing) => {
  expect(judged(kind, { supplyF }, { conditions }).standing).toBe(standing);
});

test('in humid or dry air the split is not judged, but delivered cooling is', () => {
  expect(judged(kind, { supplyF: 64 }, { conditions: { ...conditions, returnWetF: 71 } }).says).toMatch(
    /delivered capacity/,
  );
  expect(judged(kind, { supplyF: 50 }, { conditions: { ...conditions, returnWetF: 52 } }).standing).toBe('unproven');
});

test.each([
  [{ supplyF: 76 }, 'supply-not-cooled'],
  [{ supplyF: 33 }, 'supply-below-coil'],
  [{ supplyF: 57, supplyWetF: 60 }, 'wet-supply-above-dry'],
])('%j is asked about: %s', (inputs, doubt) => {
  const check = enter(kind, inputs, { conditions });
  expect(check).toMatchObject({ outcome: 'questioned' });
  expect(JSON.stringify(check)).toContain(doubt);
});

test('it tells delivered cooling what it needs', () => {
  const told = kind.tells?.(
    { inputs: { supplyF: 57, supplyWetF: 55 }, value: 18, findings: [], point: 'whole' },
    conditions,
  );
  expect(told).toEqual({ ...conditions, supplyF: 57, supplyWetF: 55 });
});

test('a split is not judged before the air has settled, and a typed one without a running time says so', () => {
  const at = (runningMin: number | undefined) =>
    judged(kind, { supplyF: 64 }, { conditions: { ...conditions, runningMin } });
  expect(at(3)).toMatchObject({ standing: 'unproven' });
  expect(at(3).says).toMatch(/has not settled/);
  expect(at(undefined).says).toMatch(/how long it has run/);
  expect(at(8).standing).toBe('act');
});
