import { DAYS_A_YEAR } from '../quantity/day.ts';
import { AHEAD_YEARS, anyAhead, chanceOn } from './ahead.ts';

const from = 20_000;
const some = { from, chances: [0, 0.1, 0.3, 0.5, 0.9] };

test('a chance lies on the line between the times it was worked out for, and is level before and after', () => {
  AHEAD_YEARS.forEach((years, i) => expect(chanceOn(some, from + years * DAYS_A_YEAR)).toBeCloseTo(some.chances[i]!));
  expect(chanceOn(some, from + 1.5 * DAYS_A_YEAR)).toBeCloseTo(0.7);
  expect(chanceOn(some, from - 100)).toBe(0);
  expect(chanceOn(some, from + 5 * DAYS_A_YEAR)).toBe(0.9);
});

test('of several, that any of them is past; from the latest reading on', () => {
  expect(anyAhead([])).toBeNull();
  expect(anyAhead([some])?.chances.map((c) => Math.round(c * 100) / 100)).toEqual(some.chances);
  const both = anyAhead([some, { from: from - DAYS_A_YEAR, chances: [0, 0, 0, 0.5, 0.5] }]);
  expect(both?.from).toBe(from);
  // 1 − (1 − 0.1)(1 − 0.5) a quarter of a year on.
  expect(both?.chances[1]).toBeCloseTo(0.55);
});
