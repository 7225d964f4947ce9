import { enter, judged } from '../../testing/reading.ts';
import { deliveredCapacity as kind } from './delivered-capacity.ts';

const conditions = { returnF: 80, returnWetF: 67, supplyF: 60, supplyWetF: 58, airflowCfm: 1200, runningMin: 14 };

// Source: total heat of standard air, 4.5 × CFM × Δh, with enthalpies of the ASHRAE Handbook Fundamentals chart.
test('1200 CFM from 80/67 to 60/58 °F deliver some 35 000 Btu/h: sound for three tons', () => {
  const verdict = judged(kind, {}, { conditions, plate: { tons: 3 } });
  expect(verdict.value).toBeGreaterThan(33_000);
  expect(verdict.value).toBeLessThan(36_000);
  expect(verdict.standing).toBe('sound');
});

test('too little for its tons is acted on, and without tons nothing is judged', () => {
  expect(judged(kind, {}, { conditions, plate: { tons: 6 } }).standing).toBe('act');
  expect(judged(kind, {}, { conditions, plate: {} }).standing).toBe('unproven');
});

test('without measured airflow 400 CFM a ton stand in, and it says so', () => {
  const { airflowCfm: _none, ...rest } = conditions;
  expect(judged(kind, {}, { conditions: rest, plate: { tons: 3 } }).value).toBeGreaterThan(30_000);
  expect(enter(kind, {}, { conditions: rest, plate: {} })).toMatchObject({
    because: { numbers: { snag: 'no-airflow' } },
  });
});

test('without wet bulbs it asks for them', () => {
  expect(enter(kind, {}, { conditions: { ...conditions, supplyWetF: undefined }, plate: { tons: 3 } })).toMatchObject({
    because: { numbers: { snag: 'no-supply-air' } },
  });
});

test('before the air has settled, or without a word on how long it ran, it is kept and not judged', () => {
  const plate = { tons: 5 };
  expect(judged(kind, {}, { conditions: { ...conditions, runningMin: 3 }, plate }).says).toMatch(/not settled/);
  expect(judged(kind, {}, { conditions: { ...conditions, runningMin: undefined }, plate }).standing).toBe('unproven');
});
