import { enter } from '../../testing/reading.ts';
import { returnAir as kind } from './return-air.ts';

test('a wet bulb above the dry bulb is asked about: air cannot be so', () => {
  expect(enter(kind, { dryF: 75, wetF: 63 }).outcome).toBe('taken');
  expect(enter(kind, { dryF: 63, wetF: 75 })).toMatchObject({
    outcome: 'questioned',
    questions: [{ code: 'does-not-fit' }],
  });
});

// Source: ASHRAE psychrometric chart at sea level: 80 °F and 51 % have a wet bulb of 67 °F.
test('humidity gives the wet bulb, and either way it is told to the readings after it', () => {
  const told = (inputs: Record<string, number>) =>
    kind.tells?.({ inputs, value: inputs.dryF ?? null, findings: [], point: 'whole' }, {});
  expect(told({ dryF: 75, wetF: 63 })).toEqual({ returnF: 75, returnWetF: 63 });
  expect(told({ dryF: 80, percent: 51 })?.returnWetF).toBeCloseTo(67, 0);
  expect(enter(kind, { dryF: 75, percent: 120 }, {}, 'humidity').outcome).toBe('refused');
});
