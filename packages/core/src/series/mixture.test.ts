import jStat from 'jstat';
import { mixtureCdf, normalCdf, mixtureMean, mixtureQuantile, quickNormalQuantile, type Bell } from './mixture.ts';

const two: Bell[] = [
  { weight: 0.7, mean: 1, sd: 0.1 },
  { weight: 0.3, mean: 0.8, sd: 0.05 },
];

test('one bell is the normal distribution of a library (jStat)', () => {
  const one = [{ weight: 1, mean: 2, sd: 0.5 }];
  for (const p of [0.01, 0.1, 0.5, 0.9, 0.99]) {
    expect(mixtureQuantile(one, p)).toBeCloseTo(jStat.normal.inv(p, 2, 0.5), 3);
    expect(mixtureCdf(one, jStat.normal.inv(p, 2, 0.5))).toBeCloseTo(p, 6);
  }
});

test('quantile and chance undo one another, and two bells lie between their own', () => {
  for (const p of [0.05, 0.25, 0.31, 0.8]) expect(mixtureCdf(two, mixtureQuantile(two, p))).toBeCloseTo(p, 3);
  expect(mixtureMean(two)).toBeCloseTo(0.94, 12);
  expect(mixtureCdf(two, 0.9)).toBeCloseTo(
    0.7 * jStat.normal.cdf(0.9, 1, 0.1) + 0.3 * jStat.normal.cdf(0.9, 0.8, 0.05),
    6,
  );
});

test('what is certain, and nothing at all', () => {
  expect(mixtureQuantile([{ weight: 1, mean: 3, sd: 0 }], 0.2)).toBe(3);
  expect(mixtureCdf([{ weight: 1, mean: 3, sd: 0 }], 2.9)).toBe(0);
  expect(mixtureQuantile([], 0.5)).toBeNaN();
});

test('the quick normal distribution agrees with a library’s (jStat)', () => {
  for (let z = -6; z <= 6; z += 0.37) expect(normalCdf(z)).toBeCloseTo(jStat.normal.cdf(z, 0, 1), 6);
});

test('the quick normal quantile is within what it promises of a library’s (jStat)', () => {
  for (let p = 0.001; p < 1; p += 0.0173)
    expect(Math.abs(quickNormalQuantile(p) - jStat.normal.inv(p, 0, 1))).toBeLessThan(5e-4);
});

test('a quantile is found where bells lie far apart, are certain, or differ by a thousand times in width', () => {
  const apart: Bell[] = [
    { weight: 0.895, mean: 0, sd: 1e-3 },
    { weight: 0.105, mean: 50, sd: 1 },
  ];
  for (const p of [0.001, 0.1, 0.5, 0.894, 0.896, 0.9, 0.999])
    expect(mixtureCdf(apart, mixtureQuantile(apart, p))).toBeCloseTo(p, 4);
  const certain: Bell[] = [
    { weight: 0.5, mean: 1, sd: 0 },
    { weight: 0.5, mean: 2, sd: 0.1 },
  ];
  expect(mixtureQuantile(certain, 0.2)).toBeCloseTo(1, 9);
  expect(mixtureCdf(certain, mixtureQuantile(certain, 0.7))).toBeCloseTo(0.7, 5);
});
