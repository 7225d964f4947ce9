import fc from 'fast-check';
import { dateOf, dayOf, isoOf, monthOf, utcDayOf } from './day.ts';

test('days count from 1970 and take dates and moments alike', () => {
  expect(dayOf('1970-01-11')).toBe(10);
  expect(utcDayOf('1970-01-11T23:59:59Z')).toBe(10);
  expect(() => dayOf('1970-01-11T23:59:59Z')).toThrow('is a moment');
  expect(isoOf(10)).toBe('1970-01-11');
  expect(dayOf('nonsense')).toBeNaN();
});

test('a leap day is a day', () => {
  expect(dayOf('2024-03-01') - dayOf('2024-02-28')).toBe(2);
});

test('a day and its ISO date say the same', () => {
  fc.assert(fc.property(fc.integer({ min: 0, max: 40_000 }), (day) => expect(dayOf(isoOf(day))).toBe(day)));
});

test('months and dates are said in words', () => {
  expect(monthOf(dayOf('2027-04-15'))).toBe('April 2027');
  expect(dateOf(dayOf('2027-04-05'))).toBe('April 5, 2027');
});
