import fc from 'fast-check';
import { heatingChart } from './heating-chart.ts';
import { REFRIGERANTS } from './refrigerants.ts';
import { saturationPressure, saturationTemperature, type Side } from './saturation.ts';
import { subcooling, superheat, targetSuperheat } from './superheat.ts';

const psig = (refrigerant: string, fahrenheit: number, side: Side, altitudeFt = 0) => {
  const result = saturationPressure({ refrigerant, fahrenheit, side, altitudeFt });
  return result.outcome === 'value' ? result.psig : NaN;
};
const fahrenheit = (refrigerant: string, at: number, side: Side, altitudeFt = 0) => {
  const result = saturationTemperature({ refrigerant, psig: at, side, altitudeFt });
  return result.outcome === 'value' ? result.fahrenheit : NaN;
};
const kelvin = (f: number) => ((f - 32) * 5) / 9 + 273.15;

// Source: normal boiling points of the reference equations of state, as published with them.
test.each([
  ['R-22', 232.34],
  ['R-32', 221.5],
  ['R-134a', 247.08],
])('%s boils at %f K at one atmosphere', (refrigerant, boiling) => {
  expect(kelvin(fahrenheit(refrigerant, 0, 'bubble'))).toBeCloseTo(boiling, 1);
});

// Source: Lemmon 2003 for the blends, from memory: bubble and dew temperatures at 101.325 kPa.
test.each([
  ['R-410A', 'bubble', 221.71],
  ['R-410A', 'dew', 221.79],
  ['R-407C', 'bubble', 229.52],
  ['R-407C', 'dew', 236.52],
] as const)('%s %s point at one atmosphere is %f K', (refrigerant, side, at) => {
  expect(Math.abs(kelvin(fahrenheit(refrigerant, 0, side)) - at)).toBeLessThan(0.1);
});

// Source: pressure–temperature tables as printed on service charts; 14.696 psi air.
test.each([
  ['R-22', 40, 'bubble', 68.6],
  ['R-22', 110, 'bubble', 226.4],
  ['R-410A', 40, 'bubble', 118.8],
  ['R-410A', 110, 'bubble', 366.5],
  ['R-134a', 100, 'dew', 124.1],
] as const)('%s at %f °F: %s %f psig', (refrigerant, at, side, expected) => {
  expect(Math.abs(psig(refrigerant, at, side) - expected)).toBeLessThan(0.3);
});

test('property: pressure and temperature are each other’s inverse, on both sides, at any altitude', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...Object.keys(REFRIGERANTS)),
      fc.double({ min: -40, max: 145, noNaN: true }),
      fc.constantFrom<Side>('bubble', 'dew'),
      fc.integer({ min: 0, max: 9000 }),
      (refrigerant, at, side, altitude) => {
        expect(fahrenheit(refrigerant, psig(refrigerant, at, side, altitude), side, altitude)).toBeCloseTo(at, 6);
      },
    ),
  );
});

test('a zeotropic blend boils before it condenses: bubble pressure above dew pressure', () => {
  expect(psig('R-407C', 60, 'bubble')).toBeGreaterThan(psig('R-407C', 60, 'dew') + 10);
  expect(psig('R-22', 60, 'bubble')).toBe(psig('R-22', 60, 'dew'));
});

test('at altitude the same refrigerant reads a higher gauge pressure', () => {
  expect(psig('R-22', 40, 'dew', 5000) - psig('R-22', 40, 'dew')).toBeCloseTo(2.47, 1);
});

test.each([
  [{ refrigerant: 'R-0', fahrenheit: 40 }, 'unknown-refrigerant'],
  [{ refrigerant: 'R-22', fahrenheit: NaN }, 'not-a-number'],
  [{ refrigerant: 'R-410A', fahrenheit: 161 }, 'above-critical'],
  [{ refrigerant: 'R-22', fahrenheit: -200 }, 'below-range'],
])('cannot be said: %j', (asked, because) => {
  expect(saturationPressure({ ...asked, side: 'dew' })).toEqual({ outcome: 'cannot-say', because });
});

test('pressures beyond the curve cannot be said', () => {
  const at = (value: number) => saturationTemperature({ refrigerant: 'R-22', psig: value, side: 'dew' });
  expect(at(800)).toMatchObject({ because: 'above-critical' });
  expect(at(-14.69)).toMatchObject({ because: 'below-range' });
  expect(at(Infinity)).toMatchObject({ because: 'not-a-number' });
});

test('superheat goes by the dew point, subcooling by the bubble point', () => {
  const asked = { refrigerant: 'R-407C', psig: 80, lineFahrenheit: 60 };
  const [hot, cold] = [superheat(asked), subcooling(asked)];
  expect(hot.outcome === 'value' && hot.degrees).toBeCloseTo(60 - fahrenheit('R-407C', 80, 'dew'), 9);
  expect(cold.outcome === 'value' && cold.degrees).toBeCloseTo(fahrenheit('R-407C', 80, 'bubble') - 60, 9);
  expect(superheat({ ...asked, lineFahrenheit: NaN })).toMatchObject({ because: 'not-a-number' });
  expect(subcooling({ ...asked, refrigerant: 'R-0' })).toMatchObject({ because: 'unknown-refrigerant' });
});

// Common practice, no source.
describe('target superheat of a fixed orifice', () => {
  test('wet bulb 63, outdoor 85: 12', () => {
    expect(targetSuperheat({ indoorWetBulb: 63, outdoorDryBulb: 85 })).toEqual({ outcome: 'value', degrees: 12 });
  });
  test('below 5 it is not charged by', () => {
    expect(targetSuperheat({ indoorWetBulb: 58, outdoorDryBulb: 95 })).toEqual({
      outcome: 'cannot-say',
      because: 'below-five',
      degrees: -0.5,
    });
  });
  test('a wet bulb above the dry bulb is impossible', () => {
    expect(targetSuperheat({ indoorWetBulb: 80, outdoorDryBulb: 85, indoorDryBulb: 75 })).toMatchObject({
      because: 'wet-bulb-above-dry-bulb',
    });
    expect(targetSuperheat({ indoorWetBulb: NaN, outdoorDryBulb: 85 })).toMatchObject({ because: 'not-a-number' });
  });
});

describe('a heating chart', () => {
  const chart = [
    { outdoorF: 50, psig: 320 },
    { outdoorF: 40, psig: 300 },
    { outdoorF: 20, psig: 270 },
  ];

  test.each([
    [45, 310],
    [40, 300],
    [20, 270],
    [50, 320],
    [30, 285],
  ])('at %f °F says %f psig', (outdoorF, expected) => {
    expect(heatingChart(chart, outdoorF)).toEqual({ outcome: 'value', psig: expected });
  });

  test.each([
    [chart, 19, 'outside-the-chart'],
    [chart, 51, 'outside-the-chart'],
    [chart.slice(1, 2), 40, 'too-few-points'],
    [[...chart, { outdoorF: 40, psig: 290 }], 45, 'two-pressures-at-one-temperature'],
    [chart, NaN, 'not-a-number'],
  ])('cannot be said: case %#', (points, outdoorF, because) => {
    expect(heatingChart(points, outdoorF)).toEqual({ outcome: 'cannot-say', because });
  });
});
