import type { Point } from '../equipment/component.ts';
import { elementOf, EVENT_KINDS, EVENTS, happened, isSince, movesReading } from './events.ts';

const AT = '2026-10-10T14:20:00.000Z';
const id = `${Date.parse(AT)
  .toString(16)
  .padStart(12, '0')
  .replace(/(.{8})/, '$1-')}-7000-8000-000000000000`;

test('an event noted on the day it was done happened at that moment', () => {
  expect(happened({ id, kind: 'filter-changed', on: '2026-10-10' }).at).toBe(AT);
  expect(happened({ id, kind: 'filter-changed', on: '2026-10-09' }).at).toBeUndefined();
  expect(happened({ id: 'some', kind: 'filter-changed', on: '2026-10-10' }).at).toBeUndefined();
});

test('readings of its day fall before or after it by their moment, others by their day', () => {
  const shift = happened({ id, kind: 'filter-changed', on: '2026-10-10' });
  const on = (day: number, takenAt?: string) => isSince({ day, takenAt }, shift);
  expect(on(shift.day, '2026-10-10T14:10:00.000Z')).toBe(false);
  expect(on(shift.day, '2026-10-10T14:30:00.000Z')).toBe(true);
  // Being typed now.
  expect(on(shift.day)).toBe(true);
  expect([on(shift.day - 1), on(shift.day + 1)]).toEqual([false, true]);
  expect(isSince({ day: shift.day, takenAt: AT }, { day: shift.day })).toBe(false);
});

test('one element of several replaced begins its own readings anew, and those of all together; the others go on', () => {
  const moved = (kind: string, point: Point) => movesReading('element-2-replaced', kind, point);
  expect([
    moved('element-ohms', 'element-2'),
    moved('heater-amps', 'element-2'),
    moved('heater-amps', 'total'),
  ]).toEqual([true, true, true]);
  expect([moved('element-ohms', 'element-1'), moved('heater-amps', 'element-3')]).toEqual([false, false]);
  expect(moved('compressor-amps', 'element-2')).toBe(false);
  expect(EVENT_KINDS.filter((kind) => elementOf(kind) === 2)).toEqual(['element-2-replaced']);
  expect(EVENTS['element-2-replaced'].title).toBe('Element 2 of the heat replaced');
});
