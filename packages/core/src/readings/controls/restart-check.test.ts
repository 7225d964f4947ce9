import { judged } from '../../testing/reading.ts';
import { restartCheck as kind } from './restart-check.ts';

// Common practice, no source: after power-off work every call once, amps, line cooling, and nothing with no call.
test('a restart with all of it seen is sound, and that is the usual entry', () => {
  const usual = kind.methods[0]?.usual?.({} as never) ?? {};
  expect(judged(kind, usual)).toMatchObject({ standing: 'sound' });
});

test.each([
  [['amps-as-before', 'air-changes', 'still-off'], /touched last/],
  [['calls-run', 'air-changes', 'still-off'], /Clamp each wire/],
  [['calls-run', 'amps-as-before', 'still-off'], /moves no heat/],
  [['calls-run', 'amps-as-before', 'air-changes'], /with no call/],
  [['none-of-it'], /touched last.*no call/],
] as const)('with only %j seen it says what to look for', (seen, says) => {
  const verdict = judged(kind, { seen: seen.join(',') });
  expect(verdict.standing).toBe('act');
  expect(verdict.says).toMatch(says);
});
