import { follow, KEPT, marksOf, type FollowPoint } from './follow.ts';
import { SHOCK, shockAt, shockedEnd, shockGain, shocksOf } from './shocks.ts';

const points: FollowPoint[] = Array.from({ length: 23 }, (_, i) => ({
  // Two readings of one visit among them, and visits at uneven times.
  years: Math.floor(i * 0.9) / 2 + (i % 3) / 20,
  value: 1 - i / 200 + Math.sin(7 * i) / 60 + (i > 14 ? -0.08 : 0),
  variance: 0.0001 * (1 + (i % 4)),
})).sort((a, b) => a.years - b.years);
const [oddVariance, stepVariance] = [0.02, 0.006];

/** A thread that has a trouble and known events already, and what one more of either kind changes of it. */
function shocksFor(motion: Parameters<typeof follow>[1], start: Parameters<typeof follow>[2]) {
  const trouble = { odd: [4], steps: [9] };
  const marks = marksOf(points.length, trouble, oddVariance, stepVariance, [12]);
  const [place, intoPlace] = [KEPT * 3, SHOCK * 2];
  const trail = new Float64Array(place + KEPT * points.length);
  const shocks = new Float64Array(intoPlace + SHOCK * points.length);
  const end = follow(points, motion, start, marks, trail, place);
  shocksOf(points.length, trail, place, shocks, intoPlace);
  const from = { points: points.length, trail, place, shocks };
  return { trouble, end, shocks, intoPlace, from };
}

test.each([
  ['a straight line from the day it was fitted', { mean: -0.01, sd: 0.02, wander: 0, scatter: 1 }, -0.7],
  ['a drift that wanders, readings that scatter', { mean: -0.02, sd: 0.03, wander: 0.02, scatter: 1.6 }, 0],
])('one more odd reading or step, anywhere, ends as if the thread were followed with it: %s', (_, motion, years) => {
  // Second route: the whole thread followed anew with the variance in its place.
  const start = { years, mean: 1.01, sd: 0.3 };
  const { trouble, end, shocks, intoPlace, from } = shocksFor(motion, start);
  for (let at = 0; at < points.length; at += 1)
    for (const isStep of [false, true]) {
      const more = isStep
        ? { ...trouble, steps: [...trouble.steps, at] }
        : { ...trouble, odd: [...trouble.odd.filter((i) => i !== at), at] };
      if (!isStep && trouble.odd.includes(at)) continue;
      const {
        logEvidence,
        worstSurprise: _worst,
        ...anew
      } = follow(points, motion, start, marksOf(points.length, more, oddVariance, stepVariance, [12]));
      const where = shockAt(intoPlace, at, isStep);
      const variance = isStep ? stepVariance : oddVariance;
      expect(end.logEvidence + shockGain(shocks, where, variance)).toBeCloseTo(logEvidence, 9);
      const shocked = shockedEnd(end, { at, isStep }, variance, { ...from, numbers: where });
      for (const [name, value] of Object.entries(anew))
        expect(shocked[name as keyof typeof anew]).toBeCloseTo(value, 9);
    }
});

test('no variance changes nothing', () => {
  const { end, shocks, intoPlace, from } = shocksFor(
    { mean: 0, sd: 0.02, wander: 0, scatter: 1 },
    { years: 0, mean: 1, sd: 1 },
  );
  const where = shockAt(intoPlace, 5, true);
  expect(shockGain(shocks, where, 0)).toBe(0);
  const shocked = shockedEnd(end, { at: 5, isStep: true }, 0, { ...from, numbers: where });
  expect(shocked).toMatchObject({ level: end.level, driftVariance: end.driftVariance });
});
