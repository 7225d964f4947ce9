import { asMinute, asTime } from './clock-time.ts';

test('a minute of the day and what a field for times holds are the same thing', () => {
  expect([0, 485, 1439].map(asTime)).toEqual(['00:00', '08:05', '23:59']);
  expect(['00:00', '08:05', '23:59:30'].map(asMinute)).toEqual([0, 485, 1439]);
  expect(['', '8', 'noon'].map(asMinute)).toEqual([null, null, null]);
});
