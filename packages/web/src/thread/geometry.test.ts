import type { InlineThreadData } from '@yarnix/core';
import { layThread } from './geometry.ts';

const frame = { width: 200, height: 50 };
const data: InlineThreadData = {
  points: [
    { day: 0, value: 41 },
    { day: 180, value: 40 },
    { day: 360, value: 39 },
  ],
  limit: 37.6,
  baseline: 41,
  ahead: { day: 540, expected: 38, low80: 37, high80: 39 },
};

test('everything drawn lies inside the frame, time runs to the right, less is lower', () => {
  const drawn = layThread(data, frame);
  expect(drawn.knots.map((k) => k.x)).toEqual([...drawn.knots.map((k) => k.x)].sort((a, b) => a - b));
  expect(drawn.knots[2]!.y).toBeGreaterThan(drawn.knots[0]!.y);
  const ys = [...drawn.knots.map((k) => k.y), drawn.limitY!, drawn.baselineY!];
  expect(Math.min(...ys)).toBeGreaterThanOrEqual(0);
  expect(Math.max(...ys)).toBeLessThanOrEqual(frame.height);
  expect(drawn.limitY).toBeGreaterThan(drawn.baselineY!);
});

test('the fray starts at the last knot and ends at the next round, heaviest in its middle', () => {
  const { strands, knots } = layThread(data, frame);
  expect(strands.every((s) => s.path.startsWith(`M${knots[2]!.x.toFixed(1)} ${knots[2]!.y.toFixed(1)}`))).toBe(true);
  expect(strands.every((s) => s.path.includes(' 193.0 '))).toBe(true);
  const weights = strands.map((s) => s.weight);
  expect(Math.max(...weights)).toBe(weights[(weights.length - 1) / 2]);
});

test('readings of one day are one knot', () => {
  const twice = { ...data, points: [...data.points, { day: 360, value: 39.4 }] };
  const drawn = layThread(twice, frame);
  expect(drawn.knots).toHaveLength(3);
});

test('noise looks like noise: a steady thread is not stretched over the whole height', () => {
  const steady = {
    points: [240, 241, 240, 241].map((value, day) => ({ day, value })),
    limit: null,
    baseline: 240,
    ahead: null,
  };
  const ys = layThread(steady, frame).knots.map((k) => k.y);
  expect(Math.max(...ys) - Math.min(...ys)).toBeLessThan(frame.height * 0.15);
});

test('nothing, one point, all zero: no nonsense numbers', () => {
  const empty = layThread({ points: [], limit: null, baseline: null, ahead: null }, frame);
  expect(empty.knots).toEqual([]);
  for (const value of [0, 40]) {
    const one = layThread({ points: [{ day: 3, value }], limit: null, baseline: null, ahead: null }, frame);
    expect(Number.isFinite(one.knots[0]!.x) && Number.isFinite(one.knots[0]!.y)).toBe(true);
  }
});
