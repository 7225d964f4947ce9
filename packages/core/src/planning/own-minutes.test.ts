import { roundMinutes } from './own-minutes.ts';

test('few rounds lean on what is usual, many speak for themselves', () => {
  expect(roundMinutes(60, undefined)).toBe(60);
  expect(roundMinutes(60, { median: 100, rounds: 1 })).toBe(65);
  expect(roundMinutes(60, { median: 100, rounds: 8 })).toBe(80);
  expect(roundMinutes(60, { median: 100, rounds: 400 })).toBe(100);
  expect(roundMinutes(60, { median: 0, rounds: 10_000 })).toBe(5);
});
