import { fitDrift } from '../testing/straight-line/fit-drift.ts';
import { startingPrior, type ThreadPrior } from './drift-prior.ts';
import { learnAnswers, ownAnswer, withOwnAnswer } from './own-weather.ts';
import type { ReadyThread } from './thread-shape.ts';

const spec = { wear: 'rises', driftPrior: { meanShare: 0.004, sdShare: 0.012 } } as const;
/** A class whose parts hold: nothing but weather and scatter moves a reading. */
const still: ThreadPrior = {
  ...startingPrior(spec),
  classes: [{ share: 1, mean: 0, sd: 1e-9, wander: 0 }],
};
const AWAY = [-12, -6, -2, 1, 4, 9, 13, 7];
/** Even scatter, the same each time. */
const scatter = (n: number): number => (((n * 0.618034) % 1) - 0.5) * 2;

const thread = (slope: number, number = 0, over: Partial<ReadyThread> = {}): ReadyThread => ({
  points: AWAY.map((away, i) => ({
    years: i / 2,
    value: 0.8 + slope * away + 0.004 * scatter(8 * number + i + 1),
    variance: 0.01 ** 2,
  })),
  away: AWAY,
  awaySd: 0.0025,
  awayAllowed: true,
  fittedYears: null,
  shifts: [],
  levelSd: 100,
  oddSd: 0.2,
  stepSd: 0.1,
  ...over,
});

test('where nothing is known beforehand it is the least-squares slope on the weather (held against NIST’s through fitDrift)', () => {
  const own = ownAnswer(thread(0.003), still, { mean: 0, sd: 1e6 });
  const line = fitDrift(thread(0.003).points.map(({ value }, i) => ({ day: AWAY[i]!, value })));
  expect(own!.slope).toBeCloseTo(line.outcome === 'fit' ? line.slope : NaN, 8);
});

test('with few readings, or all in one weather, nothing is said and nothing moves', () => {
  const prior = { ...still, weather: { mean: 0.001, sd: 0.002 } };
  const few = thread(0.003, 0, { points: thread(0.003).points.slice(0, 3), away: AWAY.slice(0, 3) });
  const mild = thread(0.003, 0, { away: AWAY.map((a) => a / 10) });
  for (const t of [few, mild]) expect(withOwnAnswer(t, prior)).toBe(t);
  expect(withOwnAnswer(thread(0.003), still)).toEqual(thread(0.003));
});

test('a machine’s own answer is taken out of its readings, and what is left unknown of it stays as error', () => {
  const own = withOwnAnswer(thread(0.004), { ...still, weather: { mean: 0, sd: 0.003 } });
  const spread = (t: ReadyThread) =>
    Math.max(...t.points.map((p) => p.value)) - Math.min(...t.points.map((p) => p.value));
  expect(spread(own)).toBeLessThan(0.25 * spread(thread(0.004)));
  expect(own.points.every((p) => p.variance > 0)).toBe(true);
});

test('a slip at the hottest visit is no answer to weather', () => {
  const slipped = thread(0.001);
  const points = slipped.points.map((p, i) => (AWAY[i] === 13 ? { ...p, value: p.value * 1.4 } : p));
  const weather = { mean: 0, sd: 0.002 };
  const right = ownAnswer(slipped, still, weather)!.slope;
  expect(Math.abs(ownAnswer({ ...slipped, points }, still, weather)!.slope - right)).toBeLessThan(0.0004);
});

test('how machines of a class differ is learned from them: the middle, and the spread', () => {
  const slopes = Array.from({ length: 60 }, (_, n) => 0.001 + 0.002 * scatter(n));
  const learned = learnAnswers(
    slopes.map((s, n) => thread(s, n)),
    still,
  )!;
  expect(learned.mean).toBeGreaterThan(0.0006);
  expect(learned.mean).toBeLessThan(0.0013);
  // Evenly between −0.002 and 0.002 is a standard deviation of 0.0012.
  expect(learned.sd).toBeGreaterThan(0.0008);
  expect(learned.sd).toBeLessThan(0.0019);
  expect(learnAnswers([thread(0.001)], still)).toBeUndefined();
});
