import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { studentCdf, studentQuantile } from './distribution.ts';
import { fitDrift, type DriftFit } from './fit-drift.ts';
import { outlook } from './outlook.ts';

// Source: Student's t table as printed in statistics textbooks (two-sided 95 % and one-sided 90 % columns); normal: 1.95996.
describe('distribution', () => {
  test.each([
    [0.975, 1, 12.706],
    [0.975, 5, 2.571],
    [0.975, 10, 2.228],
    [0.9, 3, 1.638],
    [0.9, 30, 1.31],
    [0.975, Infinity, 1.95996],
    [0.9, Infinity, 1.28155],
  ])('quantile %f with %f degrees of freedom is %f', (p, dof, t) => {
    expect(studentQuantile(p, dof)).toBeCloseTo(t, 3);
    expect(studentCdf(t, dof)).toBeCloseTo(p, 3);
  });

  test('certainties', () => {
    expect(studentCdf(-Infinity, 5)).toBe(0);
    expect(studentCdf(Infinity, Infinity)).toBe(1);
    expect(studentCdf(0, 5)).toBeCloseTo(0.5, 8);
  });
});

const falling = [0, 200, 400, 600, 800].map((day, i) => ({
  day,
  value: 40 - 0.002 * day + [0.1, -0.1, 0.05, 0.1, -0.1][i]!,
  error: 0.3,
}));
const prior = { drift: { mean: -0.0005, sd: 0.0015 }, errorTrust: 6 };
const fit = fitDrift(falling, prior) as DriftFit;

function normal(random: ReturnType<typeof xoroshiro128plus>): number {
  return Math.sqrt(-2 * Math.log(1 - uniformFloat64(random))) * Math.cos(2 * Math.PI * uniformFloat64(random));
}

test('range and chance are those of the posterior (second route: 60 000 draws from it)', () => {
  const random = xoroshiro128plus(7);
  const day = 1400;
  const draws = Array.from({ length: 60_000 }, () => {
    let chi2 = 0;
    for (let i = 0; i < fit.dof; i += 1) chi2 += normal(random) ** 2;
    const spread = Math.sqrt(fit.dof / chi2);
    const level = fit.centreLevel + spread * Math.sqrt(fit.levelVariance) * normal(random);
    const slope = fit.slope + spread * Math.sqrt(fit.slopeVariance) * normal(random);
    return level + slope * (day - fit.centreDay);
  }).sort((a, b) => a - b);
  // Level and slope share one scale each; drawn with a scale of their own their sum is close to, not exactly, Student's t.
  const ahead = outlook(fit, { lower: 37.6 }, day);
  expect(ahead.low80).toBeCloseTo(draws[6_000] ?? 0, 1);
  expect(ahead.high80).toBeCloseTo(draws[54_000] ?? 0, 1);
  expect(ahead.chancePastLimit).toBeCloseTo(draws.filter((v) => v < 37.6).length / draws.length, 1);
});

describe('crossing', () => {
  const ahead = outlook(fit, { lower: 37.6 }, 1000);

  test('at each of its days the chance is what it says', () => {
    const { earliest, likely, latest } = ahead.crossing!;
    expect(outlook(fit, { lower: 37.6 }, earliest!).chancePastLimit).toBeCloseTo(0.1, 6);
    expect(outlook(fit, { lower: 37.6 }, likely!).chancePastLimit).toBeCloseTo(0.5, 6);
    if (latest !== null) expect(outlook(fit, { lower: 37.6 }, latest).chancePastLimit).toBeCloseTo(0.9, 6);
    expect(earliest).toBeLessThan(likely!);
  });

  test('a thread already past its limit crosses on its last day', () => {
    expect(outlook(fit, { lower: 45 }, 1000).crossing).toEqual({
      side: 'lower',
      earliest: 800,
      likely: 800,
      latest: 800,
    });
  });

  test('a thread that moves away from its limit never likely crosses it', () => {
    expect(outlook(fit, { upper: 50 }, 1000).crossing?.likely).toBeNull();
  });

  test('no limit, no chance', () => {
    expect(outlook(fit, {}, 1000)).toMatchObject({ chancePastLimit: null, crossing: null });
  });
});

test('farther ahead is less certain', () => {
  const width = (day: number) => {
    const o = outlook(fit, {}, day);
    return o.high80 - o.low80;
  };
  expect(width(2000)).toBeGreaterThan(width(1200));
});

test('a perfect line has no width and a certain answer', () => {
  const perfect = fitDrift([0, 1, 2, 3].map((day) => ({ day, value: 10 - day }))) as DriftFit;
  expect(outlook(perfect, { lower: 5 }, 4)).toMatchObject({ expected: 6, chancePastLimit: 0 });
  expect(outlook(perfect, { lower: 5 }, 6)).toMatchObject({ expected: 4, chancePastLimit: 1 });
});
