import { DEFAULT_POLICY } from '../verdict/policy.ts';
import { dayOf, isoOf } from '../quantity/day.ts';
import { nextRoundAfter } from './next-round.ts';
import { seasonOf } from '../quantity/season.ts';
import { whatChanged, type ThreadAtClose } from './what-changed.ts';

describe('next round', () => {
  test.each([
    ['2026-11-25', '2027-04-15'],
    ['2026-04-20', '2026-10-15'],
    ['2026-08-16', '2026-10-15'],
    ['2026-09-01', '2027-04-15'],
    ['2026-12-31', '2027-04-15'],
  ])('after %s comes %s', (day, next) => {
    expect(isoOf(nextRoundAfter(dayOf(day), DEFAULT_POLICY))).toBe(next);
  });

  test('a firm with one round a year', () => {
    expect(isoOf(nextRoundAfter(dayOf('2026-05-20'), { ...DEFAULT_POLICY, roundMonths: [5] }))).toBe('2027-05-15');
  });

  test('seasons', () => {
    expect(seasonOf(dayOf('2026-04-10'))).toBe('spring');
    expect(seasonOf(dayOf('2026-10-10'))).toBe('fall');
    expect(seasonOf(dayOf('2026-01-10'))).toBe('fall');
  });
});

describe('what changed', () => {
  const thread = (key: string, over: Partial<ThreadAtClose>): ThreadAtClose => ({
    key,
    standing: 'sound',
    now: 40,
    before: { value: 40, day: 1, standing: 'sound' },
    ...over,
  });

  test('the worst first, then the largest change', () => {
    const changes = whatChanged([
      thread('steady', {}),
      thread('moved', { now: 44 }),
      thread('worse', { now: 37, standing: 'act' }),
      thread('first', { before: null, standing: 'unproven' }),
    ]);
    expect(changes.map((c) => [c.key, c.turn])).toEqual([
      ['worse', 'worse'],
      ['first', 'new'],
      ['moved', 'same'],
      ['steady', 'same'],
    ]);
    expect(changes[0]?.offPercent).toBeCloseTo(-7.5);
  });

  test('a basis gained or lost is no turn of the part', () => {
    const [gained] = whatChanged([thread('a', { before: { value: 40, day: 1, standing: 'unproven' } })]);
    const [lost] = whatChanged([thread('a', { standing: 'unproven' })]);
    const [better] = whatChanged([thread('a', { before: { value: 40, day: 1, standing: 'act' } })]);
    expect([gained?.turn, lost?.turn, better?.turn]).toEqual(['same', 'same', 'better']);
  });

  test('findings and first readings have no percentage', () => {
    expect(whatChanged([thread('a', { now: null })])[0]?.offPercent).toBeNull();
    expect(whatChanged([thread('a', { before: { value: 0, day: 1, standing: 'act' } })])[0]?.offPercent).toBeNull();
  });
});
