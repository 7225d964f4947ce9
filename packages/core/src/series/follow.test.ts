import jStat from 'jstat';
import { NORRIS, NORRIS_CERTIFIED } from '../testing/straight-line/norris.ts';
import { fitDrift, type DriftFit } from '../testing/straight-line/fit-drift.ts';
import { follow, levelAfter, marksOf, NO_TROUBLE, type FollowPoint } from './follow.ts';

const straight = (points: readonly FollowPoint[], sd: number, levelSd = 1e6) =>
  follow(
    points,
    { mean: 0, sd, wander: 0, scatter: 1 },
    { years: points[0]?.years ?? 0, mean: 0, sd: levelSd },
    marksOf(points.length, NO_TROUBLE, 1, 1),
  );

test('with a flat prior it is ordinary least squares: NIST StRD Norris, certified slope, level and their errors', () => {
  // Source: NIST Statistical Reference Datasets, Norris; the certified residual standard deviation is every point's error.
  const sorted = [...NORRIS].sort((a, b) => a.x - b.x);
  const variance = NORRIS_CERTIFIED.residualSd ** 2;
  const end = straight(
    sorted.map(({ x, y }) => ({ years: x, value: y, variance })),
    1e5,
    1e7,
  );
  expect(end.drift).toBeCloseTo(NORRIS_CERTIFIED.slope, 7);
  expect(Math.sqrt(end.driftVariance)).toBeCloseTo(NORRIS_CERTIFIED.slopeSe, 7);
  const atZero = levelAfter(end, -end.years);
  expect(atZero.mean).toBeCloseTo(NORRIS_CERTIFIED.intercept, 4);
  expect(atZero.sd).toBeCloseTo(NORRIS_CERTIFIED.interceptSe, 4);
});

const points: FollowPoint[] = [
  { years: 0, value: 1.02, variance: 0.0001 },
  { years: 0.5, value: 1.005, variance: 0.0004 },
  { years: 1.1, value: 1.0, variance: 0.0001 },
  { years: 1.5, value: 0.98, variance: 0.0001 },
];

test('without wander it is Bayesian linear regression: the same as the closed form with a prior on drift', () => {
  const fit = fitDrift(
    points.map((p) => ({ day: p.years, value: p.value, error: Math.sqrt(p.variance) })),
    { drift: { mean: -0.01, sd: 0.02 }, errorTrust: 1e12 },
  ) as DriftFit;
  const end = follow(
    points,
    { mean: -0.01, sd: 0.02, wander: 0, scatter: 1 },
    { years: 0, mean: 1, sd: 1e4 },
    marksOf(points.length, NO_TROUBLE, 1, 1),
  );
  expect(end.drift).toBeCloseTo(fit.slope, 7);
  expect(Math.sqrt(end.driftVariance)).toBeCloseTo(fit.slopeSe, 7);
  expect(end.level).toBeCloseTo(fit.intercept + fit.slope * 1.5, 7);
});

/** Inverse and determinant of a symmetric matrix through a library, as a second route. */
const linear = jStat as unknown as { inv(m: number[][]): number[][]; det(m: number[][]): number };

test('level, drift and evidence agree with the joint Gaussian of all readings, wander and a step among them', () => {
  // Second route: the covariance matrix of the readings, inverted by a general-purpose library (jStat).
  const [sd, wander, levelSd, stepVariance] = [0.03, 0.02, 0.1, 0.0025];
  const trouble = { odd: [1], steps: [2] };
  const oddVariance = 0.04;
  const start = { years: -0.4, mean: 1.01, sd: levelSd };
  const marks = marksOf(points.length, trouble, oddVariance, stepVariance);
  const end = follow(points, { mean: -0.02, sd, wander, scatter: 1.5 }, start, marks);

  // Wandering drift integrated twice: cov(level(s), level(t)) = q (s²t/2 − s³/6) for s ≤ t.
  const t = points.map((p) => p.years - start.years);
  const wandered = (a: number, b: number) => {
    const [s, u] = a <= b ? [a, b] : [b, a];
    return wander ** 2 * ((s * s * u) / 2 - s ** 3 / 6);
  };
  const stepped = (i: number) => (i >= 2 ? 1 : 0);
  const covariance = (i: number, j: number) =>
    levelSd ** 2 + sd ** 2 * t[i]! * t[j]! + wandered(t[i]!, t[j]!) + stepVariance * stepped(i) * stepped(j);
  const matrix = points.map((p, i) =>
    points.map((_, j) => covariance(i, j) + (i === j ? p.variance * 1.5 ** 2 + (i === 1 ? oddVariance : 0) : 0)),
  );
  const residual = points.map((p, i) => p.value - (1.01 - 0.02 * t[i]!));
  const inverse = linear.inv(matrix);
  const times = (row: readonly number[]) => row.reduce((sum, x, j) => sum + x * residual[j]!, 0);
  const quadratic = residual.reduce((sum, r, i) => sum + r * times(inverse[i]!), 0);
  const log = -0.5 * (points.length * Math.log(2 * Math.PI) + Math.log(linear.det(matrix)) + quadratic);
  expect(end.logEvidence).toBeCloseTo(log, 8);

  const last = points.length - 1;
  const withLevel = points.map((_, j) => covariance(last, j));
  const gain = inverse.map(times);
  const level = 1.01 - 0.02 * t[last]! + withLevel.reduce((sum, c, j) => sum + c * gain[j]!, 0);
  expect(end.level).toBeCloseTo(level, 8);
});

test('the worst surprise tells where a reading lies off', () => {
  const off = points.map((p, i) => (i === 2 ? { ...p, value: 0.8 } : p));
  const end = straight(off, 0.02);
  expect(end.worstSurprise).toBeGreaterThan(4);
});
