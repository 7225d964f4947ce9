import { enter, judged } from '../../testing/reading.ts';
import { airflow as kind } from './airflow.ts';

const conditions = { heatAmps: 41.67, lineVolts: 240, returnF: 70, supplyF: 100 };
const plate = { heatKilowatts: 10, tons: 2.5 };

// Source: the sensible heat equation of standard air, ASHRAE Handbook Fundamentals: 10 kW and 30 °F are 1053 CFM.
test('10 kW of strips and 30 °F of rise are 1053 CFM, with nothing typed', () => {
  const verdict = judged(kind, {}, { conditions, plate });
  expect(verdict.value).toBeCloseTo(1053.2, 0);
  expect(verdict.standing).toBe('sound');
});

test('350 to 450 CFM a ton is usual (common practice, no source); far below is acted on', () => {
  expect(judged(kind, {}, { conditions: { ...conditions, supplyF: 108 }, plate })).toMatchObject({ standing: 'watch' });
  const starved = judged(kind, {}, { conditions: { ...conditions, supplyF: 120 }, plate });
  expect(starved.standing).toBe('act');
  expect(starved.says).toMatch(/Too little air/);
  expect(judged(kind, {}, { conditions, plate: { heatKilowatts: 10 } }).standing).toBe('unproven');
});

test.each([
  ['heatAmps', 'no-heat-amps'],
  ['returnF', 'no-return-air'],
  ['supplyF', 'no-supply-air'],
])('without %s it says what to take first', (missing, snag) => {
  expect(enter(kind, {}, { conditions: { ...conditions, [missing]: undefined }, plate })).toMatchObject({
    outcome: 'refused',
    because: { numbers: { snag } },
  });
});

test('a rise of nothing gives no airflow', () => {
  expect(enter(kind, {}, { conditions: { ...conditions, supplyF: 70 }, plate }).outcome).toBe('refused');
});
