import { airflowFromElectricHeat } from './airflow-from-electric-heat.ts';
import { airPressureAt } from './standard-atmosphere.ts';

// Source: ASHRAE Handbook Fundamentals, Psychrometrics, table of the standard atmosphere (14.696, 12.228 and 10.108 psi).
test.each([
  [0, 101.325],
  [5000, 84.31],
  [10_000, 69.69],
])('air pressure at %i ft is %f kPa', (feet, kpa) => {
  expect(Math.abs(airPressureAt(feet) - kpa)).toBeLessThan(0.05);
});

// Source: the sensible heat equation of moist air at standard density, ASHRAE Handbook Fundamentals.
test('10 kW and 30 °F of rise are 1053 CFM', () => {
  expect(airflowFromElectricHeat({ kilowatts: 10, riseF: 30 })).toEqual({
    outcome: 'value',
    cfm: expect.closeTo(1053.09, 2) as number,
  });
});

test('the blower’s watts count, and thin air needs more of it', () => {
  const cfm = (over: object) => {
    const result = airflowFromElectricHeat({ kilowatts: 10, riseF: 30, ...over });
    return result.outcome === 'value' ? result.cfm : NaN;
  };
  expect(cfm({ blowerWatts: 500 }) / cfm({})).toBeCloseTo(1.05, 9);
  expect(cfm({ altitudeFt: 5000 }) / cfm({})).toBeCloseTo(101.325 / 84.31, 2);
});

test.each([
  [0, 30],
  [10, 0],
  [10, -3],
  [NaN, 30],
])('%f kW and %f °F cannot be said', (kilowatts, riseF) => {
  expect(airflowFromElectricHeat({ kilowatts, riseF })).toEqual({ outcome: 'cannot-say', because: 'not-above-zero' });
});
