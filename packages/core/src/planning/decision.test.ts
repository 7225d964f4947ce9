import { decisionNow, holdsForRound, isCalledOff, isDoneBySaying, isLongDone, JOB_SOURCES } from './decision.ts';
import { severityOf } from '../verdict/standing.ts';

test('what stands worse than when it was declined is asked again; what is planned stays planned', () => {
  const declined = { decision: 'declined', severity: severityOf('act') } as const;
  expect(decisionNow(declined, 'act')).toBe('declined');
  expect(decisionNow(declined, 'watch')).toBe('declined');
  expect(decisionNow(declined, 'stop')).toBe('proposed');
  expect(decisionNow({ ...declined, decision: 'accepted' }, 'stop')).toBe('accepted');
  expect(decisionNow({ decision: 'done', severity: 0 }, null)).toBe('done');
});

test('only what no reading settles is done by saying so', () => {
  expect(JOB_SOURCES.filter(isDoneBySaying)).toEqual(['call', 'hand']);
});

test('a round that was planned is settled by a round of that day or later', () => {
  expect([holdsForRound(100, null), holdsForRound(100, 99), holdsForRound(100, 100), holdsForRound(100, 101)]).toEqual([
    true,
    true,
    false,
    false,
  ]);
});

test('a plan is called off for whoever was told of it, and not where it only moves', () => {
  const plan = { decision: 'accepted', day: '2026-12-01', personId: 'a' } as const;
  expect(isCalledOff(plan, { ...plan, day: '2026-12-02' })).toBe(false);
  expect(isCalledOff(plan, { ...plan, day: null })).toBe(true);
  expect(isCalledOff(plan, { ...plan, personId: 'b' })).toBe(true);
  expect(isCalledOff(plan, { ...plan, decision: 'declined' })).toBe(true);
  expect(isCalledOff({ ...plan, decision: 'proposed' }, plan)).toBe(false);
});

test('what was done is told for a quarter of a year', () => {
  expect([isLongDone('done', 100, 190), isLongDone('done', 100, 191), isLongDone('accepted', 100, 500)]).toEqual([
    false,
    true,
    false,
  ]);
});
