import jStat from 'jstat';
import { mixtureCdf, normalCdf, mixtureMean, mixtureQuantile, type Bell } from './mixture.ts';

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
