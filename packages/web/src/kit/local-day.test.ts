import { isoOf } from '@yarnix/core';
import { dayHere, keepZone, localMinute, localMinuteOf, localToday } from './local-day.ts';
import { dateWords } from './field-words.ts';

test('the day and the minute are those of the firm, wherever the device is', () => {
  keepZone('America/Denver');
  const evening = new Date('2026-11-26T04:30:00.000Z');
  expect(localToday(evening)).toBe('2026-11-25');
  expect(localMinute('2026-11-25', evening)).toBe(21 * 60 + 30);
  expect(localMinute('2026-11-26', evening)).toBeNull();
  expect(localToday(new Date('2026-01-01T07:05:00.000Z'))).toBe('2026-01-01');
  expect(localMinuteOf('2026-01-01T07:05:00.000Z')).toBe(5);
  keepZone('Etc/UTC');
  expect(localToday(evening)).toBe('2026-11-26');
});

test('what is said of a moment is said by that day; a date stays what it is', () => {
  keepZone('America/Denver');
  expect(dateWords('2026-11-26T04:30:00.000Z')).toBe('November 25, 2026');
  expect(dateWords('2026-11-26')).toBe('November 26, 2026');
  expect(isoOf(dayHere('2026-11-26'))).toBe('2026-11-26');
});
