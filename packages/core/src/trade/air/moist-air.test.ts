import fc from 'fast-check';
import { deliveredCapacity } from './delivered-capacity.ts';
import { moistAir } from './moist-air.ts';

const value = (air: Parameters<typeof moistAir>[0], altitudeFt = 0) => {
  const state = moistAir(air, altitudeFt);
  if (state.outcome === 'cannot-say') throw new Error(state.because);
  return state;
};

// Source: ASHRAE Handbook Fundamentals, table of thermodynamic properties of moist air at 14.696 psia, saturated air. The
// table has the enhancement factor of real gas, the equations have not: half a per cent lies between them.
test.each([
  [32, 0.00379, 11.76],
  [60, 0.01109, 26.47],
  [80, 0.02234, 43.7],
  [100, 0.04318, 71.74],
])('saturated air at %f °F holds %f lb/lb and %f Btu/lb', (dryBulbF, ratio, enthalpy) => {
  const state = value({ dryBulbF, relativeHumidity: 100 });
  expect(Math.abs(state.humidityRatio / ratio - 1)).toBeLessThan(0.005);
  expect(Math.abs(state.enthalpy / enthalpy - 1)).toBeLessThan(0.005);
  expect(state.wetBulbF).toBeCloseTo(dryBulbF, 2);
});

// Source: the rating condition of unitary equipment, 80 °F dry and 67 °F wet bulb: 51 %, 31.4 Btu/lb on the ASHRAE chart.
test('80 °F dry, 67 °F wet bulb', () => {
  const state = value({ dryBulbF: 80, wetBulbF: 67 });
  expect(state.relativeHumidity).toBeCloseTo(51.1, 0);
  expect(state.enthalpy).toBeCloseTo(31.5, 0);
});

test('wet bulb and humidity are two ways to the same air, at any altitude', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 40, max: 110, noNaN: true }),
      fc.double({ min: 5, max: 99, noNaN: true }),
      fc.double({ min: 0, max: 8000, noNaN: true }),
      (dryBulbF, relativeHumidity, altitude) => {
        const first = value({ dryBulbF, relativeHumidity }, altitude);
        const second = value({ dryBulbF, wetBulbF: first.wetBulbF }, altitude);
        expect(Math.abs(second.relativeHumidity - relativeHumidity)).toBeLessThan(0.2);
        expect(first.wetBulbF).toBeLessThanOrEqual(dryBulbF + 1e-6);
      },
    ),
    { numRuns: 60 },
  );
});

test.each([
  [{ dryBulbF: 60, wetBulbF: 61 }, 'wet-bulb-above-dry-bulb'],
  [{ dryBulbF: NaN, wetBulbF: 61 }, 'not-a-number'],
  [{ dryBulbF: 70, relativeHumidity: 101 }, 'out-of-range'],
  [{ dryBulbF: 500, relativeHumidity: 50 }, 'out-of-range'],
])('%j cannot be said: %s', (air, because) => {
  expect(moistAir(air as never)).toEqual({ outcome: 'cannot-say', because });
});

describe('delivered capacity', () => {
  const entering = { dryBulbF: 80, wetBulbF: 67 };
  const leaving = { dryBulbF: 60, wetBulbF: 58 };

  // Source: 4.5 × CFM × Δh and 1.08 × CFM × ΔT for standard air, ASHRAE Handbook Fundamentals.
  test('1200 CFM from 80/67 to 60/58 °F', () => {
    const drop = value(entering).enthalpy - value(leaving).enthalpy;
    const capacity = deliveredCapacity({ cfm: 1200, entering, leaving });
    expect(capacity).toMatchObject({ outcome: 'value', total: expect.closeTo(4.5 * 1200 * drop, 6) as number });
    expect(capacity).toMatchObject({ sensible: expect.closeTo(1.08 * 1200 * 20, 6) as number });
    expect(capacity.outcome === 'value' && capacity.total).toBeCloseTo(34_600, -3);
  });

  test('thin air carries less', () => {
    const at = (altitudeFt: number) => {
      const c = deliveredCapacity({ cfm: 1200, entering, leaving, altitudeFt });
      return c.outcome === 'value' ? c.sensible : NaN;
    };
    expect(at(5000) / at(0)).toBeCloseTo(84.31 / 101.325, 3);
  });

  test('without airflow, or with air that cannot be, nothing is said', () => {
    expect(deliveredCapacity({ cfm: 0, entering, leaving })).toEqual({ outcome: 'cannot-say', because: 'no-airflow' });
    const impossible = { dryBulbF: 60, wetBulbF: 70 };
    expect(deliveredCapacity({ cfm: 900, entering: impossible, leaving }).outcome).toBe('cannot-say');
    expect(deliveredCapacity({ cfm: 900, entering, leaving: impossible }).outcome).toBe('cannot-say');
  });
});
