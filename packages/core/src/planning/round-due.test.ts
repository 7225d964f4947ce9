import { dayOf, isoOf } from '../quantity/day.ts';
import { DEFAULT_POLICY } from '../verdict/policy.ts';
import { byUrgencyOfRound, dueBecause, roundBy, type BetweenRounds } from './round-due.ts';

const between = (lastRound: string | null, cost = 0): BetweenRounds => ({
  lastRound: lastRound === null ? null : dayOf(lastRound),
  waiting: { cost, chance: 0, most: null },
});
const due = (system: BetweenRounds, day: string) => dueBecause(system, dayOf(day), DEFAULT_POLICY);

test('a round is due by the months, once it was left too long, and before its months where the system frays', () => {
  // Rounds of the usual firm are in April and October.
  expect(due(between('2026-04-10'), '2026-10-14')).toBeNull();
  expect(due(between('2026-04-10'), '2026-10-15')).toBe('months');
  expect(due(between('2025-09-01'), '2026-10-01')).toBe('left-long');
  expect(due(between(null), '2026-10-01')).toBe('left-long');
  expect(due(between('2026-04-10', 0.02), '2026-07-20')).toBe('frays');
  expect(due(between('2026-04-10', 0.001), '2026-07-20')).toBeNull();
});

test('whoever was there within two months does not come back for a round, however it stands', () => {
  expect(due(between('2026-09-01', 1), '2026-10-20')).toBeNull();
});

test('by when: at once, by the months’ day, or within four weeks', () => {
  const by = (because: 'left-long' | 'months' | 'frays', last: string | null) =>
    isoOf(roundBy(because, last === null ? null : dayOf(last), dayOf('2026-10-20'), DEFAULT_POLICY));
  expect([by('left-long', null), by('months', '2026-04-10'), by('frays', '2026-07-01')]).toEqual([
    '2026-10-20',
    '2026-10-15',
    '2026-11-17',
  ]);
});

test('who was left too long comes first, then whose wait costs most, then who has waited longer', () => {
  const all = {
    calm: between('2026-06-01'),
    calmer: between('2026-07-01'),
    frays: between('2026-07-15', 0.02),
    long: between('2025-01-01'),
    never: between(null),
  };
  const order = Object.entries(all).sort(([, a], [, b]) => byUrgencyOfRound(dayOf('2026-10-20'))(a, b));
  expect(order.map(([name]) => name)).toEqual(['never', 'long', 'frays', 'calm', 'calmer']);
});
