import { dayOf } from '@yarnix/core';
import { momentIn } from './moment-in.ts';

test('a minute of a day is that of its zone, on either side of a clock that is put forward or back', () => {
  const at = momentIn('America/Chicago');
  // The IANA time zone database: in the United States clocks go forward on the second Sunday of March, back on the first of November.
  expect(at(dayOf('2026-03-07'), 540)).toBe('2026-03-07T15:00:00.000Z');
  expect(at(dayOf('2026-03-08'), 540)).toBe('2026-03-08T14:00:00.000Z');
  expect(at(dayOf('2026-10-31'), 540)).toBe('2026-10-31T14:00:00.000Z');
  expect(at(dayOf('2026-11-01'), 540)).toBe('2026-11-01T15:00:00.000Z');
  // 2:30 in the night that has no such time.
  expect(at(dayOf('2026-03-08'), 150)).toBe('2026-03-08T08:30:00.000Z');
  expect(momentIn('Etc/UTC')(dayOf('2026-03-08'), 150)).toBe('2026-03-08T02:30:00.000Z');
  // A day's last minute may be another day's in UTC.
  expect(at(dayOf('2026-07-01'), 1439)).toBe('2026-07-02T04:59:00.000Z');
  expect(at(dayOf('2026-07-01'), 1439)).toBe(at(dayOf('2026-07-01'), 1439));
});
