import { dayIn } from './day-in.ts';
import { isoOf } from './day.ts';

const at = (zone: string, iso: string) => isoOf(dayIn(zone, iso));

test('an evening in the West is not tomorrow yet, a morning in the East is it already', () => {
  expect(at('America/Denver', '2026-11-26T02:30:00.000Z')).toBe('2026-11-25');
  expect(at('Etc/UTC', '2026-11-26T02:30:00.000Z')).toBe('2026-11-26');
  expect(at('Asia/Tokyo', '2026-11-25T16:00:00.000Z')).toBe('2026-11-26');
});

// The clocks of the US changed at 2 a.m. local time on 8 March and 1 November 2026 (15 U.S.C. § 260a).
test('the day ends at midnight of the zone in summer as in winter', () => {
  expect(at('America/Chicago', '2026-07-02T04:59:00.000Z')).toBe('2026-07-01');
  expect(at('America/Chicago', '2026-07-02T05:00:00.000Z')).toBe('2026-07-02');
  expect(at('America/Chicago', '2026-12-02T05:59:00.000Z')).toBe('2026-12-01');
  expect(at('America/Chicago', '2026-12-02T06:00:00.000Z')).toBe('2026-12-02');
});

test('a date is its own day anywhere; what is none is none', () => {
  expect(at('America/Denver', '2026-11-26')).toBe('2026-11-26');
  expect(dayIn('America/Denver', 'soon')).toBeNaN();
  expect(() => dayIn('Nowhere/Land', '2026-11-26T02:30:00.000Z')).toThrow(RangeError);
});
