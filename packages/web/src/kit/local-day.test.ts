import { localMinute, localToday } from './local-day.ts';

test('the day and the minute are those of the device, wherever it is', () => {
  const evening = new Date(2026, 10, 25, 21, 30);
  expect(localToday(evening)).toBe('2026-11-25');
  expect(localMinute('2026-11-25', evening)).toBe(21 * 60 + 30);
  expect(localMinute('2026-11-26', evening)).toBeNull();
  expect(localToday(new Date(2026, 0, 1, 0, 5))).toBe('2026-01-01');
});
