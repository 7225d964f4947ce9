import fc from 'fast-check';
import { NORRIS_CERTIFIED as CERTIFIED, NORRIS_PAIRS as NORRIS } from './norris.ts';
import { fitDrift, type DriftFit, type DriftPoint, type DriftPrior } from './fit-drift.ts';

const fit = (points: readonly DriftPoint[], prior?: DriftPrior): DriftFit => {
  const result = fitDrift(points, prior);
  if (result.outcome !== 'fit') throw new Error(result.because);
  return result;
};

/** Digits on which two numbers agree. */
const digits = (a: number, b: number): number => -Math.log10(Math.abs(a - b) / Math.abs(b));

describe('with a flat prior', () => {
  test.each(Object.entries(CERTIFIED))('NIST StRD Norris: %s to 10 significant digits', (name, certified) => {
    const result = fit(NORRIS.map(([value, day]) => ({ day, value })));
    expect(digits(result[name as keyof typeof CERTIFIED], certified)).toBeGreaterThan(10);
  });

  test('the worked number of the docstring', () => {
    expect(fit([0, 1, 2].map((day) => ({ day, value: 1 + 2 * day }))).slope).toBe(2);
  });

  test('the order of the points changes nothing, and the caller’s array is left alone', () => {
    const points = NORRIS.map(([value, day]) => ({ day, value }));
    const reversed = Object.freeze([...points].reverse());
    expect(fit(reversed).slope).toBeCloseTo(fit(points).slope, 12);
  });
});

/** A second route: the posterior by inverting the full 2×2 information matrix about day 0, errors taken as known. */
function posteriorByMatrix(points: readonly DriftPoint[], drift: { mean: number; sd: number }) {
  let a = 0;
  let b = 0;
  let d = 1 / drift.sd ** 2;
  let u = 0;
  let v = drift.mean / drift.sd ** 2;
  for (const p of points) {
    const w = 1 / (p.error ?? 1) ** 2;
    a += w;
    b += w * p.day;
    d += w * p.day * p.day;
    u += w * p.value;
    v += w * p.value * p.day;
  }
  const det = a * d - b * b;
  return {
    intercept: (d * u - b * v) / det,
    slope: (a * v - b * u) / det,
    interceptSe: Math.sqrt(d / det),
    slopeSe: Math.sqrt(a / det),
  };
}

describe('with a drift prior', () => {
  const points = [0, 180, 370, 540].map((day, i) => ({ day, value: [40.4, 40.1, 39.5, 39.3][i] ?? 0, error: 0.4 }));
  const drift = { mean: -0.0005, sd: 0.001 };
  // So much trust in the stated errors that the scale of the scatter is 1: the textbook conjugate posterior.
  const trusting = { drift, errorTrust: 1e12 };

  test('it is the conjugate Gaussian posterior (second route: the information matrix inverted)', () => {
    const result = fit(points, trusting);
    const second = posteriorByMatrix(points, drift);
    expect(result.slope).toBeCloseTo(second.slope, 9);
    expect(result.intercept).toBeCloseTo(second.intercept, 6);
    expect(result.slopeSe).toBeCloseTo(second.slopeSe, 9);
    expect(result.interceptSe).toBeCloseTo(second.interceptSe, 6);
  });

  test('a level prior pulls the level, and agrees with one more point in its place', () => {
    const level = { day: -30, value: 41, sd: 0.4 };
    const withPrior = fit(points, { ...trusting, level });
    const withPoint = fit([...points, { day: level.day, value: level.value, error: level.sd }], trusting);
    expect(withPrior.slope).toBeCloseTo(withPoint.slope, 9);
    expect(withPrior.centreLevel + withPrior.slope * (100 - withPrior.centreDay)).toBeCloseTo(
      withPoint.centreLevel + withPoint.slope * (100 - withPoint.centreDay),
      7,
    );
  });

  test('one reading says nothing of drift: the prior speaks alone', () => {
    const result = fit([{ day: 0, value: 40, error: 0.4 }], { drift, errorTrust: 6 });
    expect(result.slope).toBeCloseTo(drift.mean, 12);
    expect(result.ownShare).toBe(0);
    expect(result.residualSd).toBeNaN();
  });

  test('the more readings, the more the unit speaks for itself', () => {
    const shares = [2, 3, 4].map((n) => fit(points.slice(0, n), { drift, errorTrust: 6 }).ownShare);
    expect(shares[0]).toBeLessThan(shares[1] ?? 0);
    expect(shares[1]).toBeLessThan(shares[2] ?? 0);
  });

  test('readings that scatter more than the meter should widen the result', () => {
    const noisy = points.map((p, i) => ({ ...p, value: p.value + (i % 2 === 0 ? 2 : -2) }));
    expect(fit(noisy, { drift, errorTrust: 6 }).slopeSe).toBeGreaterThan(fit(points, { drift, errorTrust: 6 }).slopeSe);
  });
});

describe('cannot be said', () => {
  test.each([
    [[], undefined, 'no-points'],
    [[{ day: 0, value: 1 }], undefined, 'too-few-points'],
    [
      [
        { day: 0, value: 1 },
        { day: 1, value: 2 },
      ],
      undefined,
      'too-few-points',
    ],
    [
      [
        { day: 5, value: 1 },
        { day: 5, value: 2 },
        { day: 5, value: 3 },
      ],
      undefined,
      'all-on-one-day',
    ],
    [[{ day: 0, value: NaN }], { drift: { mean: 0, sd: 1 }, errorTrust: 5 }, 'not-a-number'],
    [[{ day: Infinity, value: 1 }], { drift: { mean: 0, sd: 1 }, errorTrust: 5 }, 'not-a-number'],
    [[{ day: 0, value: 1, error: 0 }], { drift: { mean: 0, sd: 1 }, errorTrust: 5 }, 'not-a-number'],
  ] as const)('%j', (points, prior, because) => {
    expect(fitDrift(points, prior)).toEqual({ outcome: 'cannot-say', because });
  });
});

const reading = fc.record({
  day: fc.integer({ min: 0, max: 3000 }),
  value: fc.double({ min: 10, max: 60, noNaN: true }),
  error: fc.double({ min: 0.1, max: 2, noNaN: true }),
});
const prior: DriftPrior = { drift: { mean: -0.0004, sd: 0.002 }, errorTrust: 6 };

describe('properties', () => {
  test('order changes nothing', () => {
    fc.assert(
      fc.property(fc.array(reading, { minLength: 1, maxLength: 12 }), (points) => {
        const there = fit(points, prior);
        const back = fit([...points].reverse(), prior);
        expect(back.slope).toBeCloseTo(there.slope, 9);
        expect(back.slopeSe).toBeCloseTo(there.slopeSe, 9);
      }),
    );
  });

  test('another unit changes nothing but the unit', () => {
    fc.assert(
      fc.property(
        fc.array(reading, { minLength: 2, maxLength: 12 }),
        fc.constantFrom(0.001, 1000, 2.54),
        (points, factor) => {
          const here = fit(points, prior);
          const scaled = fit(
            points.map((p) => ({ day: p.day, value: p.value * factor, error: p.error * factor })),
            { ...prior, drift: { mean: -0.0004 * factor, sd: 0.002 * factor } },
          );
          expect(scaled.slope / factor).toBeCloseTo(here.slope, 8);
          expect(scaled.slopeSe / factor).toBeCloseTo(here.slopeSe, 8);
        },
      ),
    );
  });

  test('moving the calendar moves nothing', () => {
    fc.assert(
      fc.property(fc.array(reading, { minLength: 2, maxLength: 12 }), (points) => {
        const moved = points.map((p) => ({ ...p, day: p.day + 20_000 }));
        expect(fit(moved, prior).slope).toBeCloseTo(fit(points, prior).slope, 8);
      }),
    );
  });

  test('a reading exactly on the line narrows the drift', () => {
    // Without a drift prior, which bends the line away from the points' own.
    const trust: DriftPrior = { errorTrust: 6 };
    fc.assert(
      fc.property(
        fc.array(reading, { minLength: 3, maxLength: 10 }),
        fc.integer({ min: 3001, max: 4000 }),
        (points, day) => {
          fc.pre(new Set(points.map((p) => p.day)).size > 1);
          const before = fit(points, trust);
          const onLine = { day, value: before.intercept + before.slope * day, error: 0.5 };
          expect(fit([...points, onLine], trust).slopeSe).toBeLessThanOrEqual(before.slopeSe * (1 + 1e-9));
        },
      ),
    );
  });
});
