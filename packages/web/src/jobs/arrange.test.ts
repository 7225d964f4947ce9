import type { Job } from '@yarnix/core';
import { byDay, bySystem } from './arrange.ts';

const job = (systemId: string, minutes: number, day: string | null, name: string | null): Job =>
  ({ systemId, address: `at ${systemId}`, minutes, day, person: name === null ? null : { id: name, name } }) as Job;

test('what one visit settles stands together, in the order of what is due first', () => {
  const groups = bySystem([job('b', 10, null, null), job('a', 20, null, null), job('b', 30, null, null)]);
  expect(groups.map(({ systemId, minutes, jobs }) => [systemId, minutes, jobs.length])).toEqual([
    ['b', 40, 2],
    ['a', 20, 1],
  ]);
});

test('a plan goes by day and person; without a day comes last, and nobody last of a day', () => {
  const days = byDay([
    job('a', 20, null, 'Ada'),
    job('a', 20, '2026-12-02', null),
    job('b', 30, '2026-12-02', 'Bo'),
    job('c', 45, '2026-12-01', 'Ada'),
  ]);
  expect(days.map(({ day, minutes, people }) => [day, minutes, people.map(({ name }) => name)])).toEqual([
    ['2026-12-01', 45, ['Ada']],
    ['2026-12-02', 50, ['Bo', null]],
    [null, 20, ['Ada']],
  ]);
});
