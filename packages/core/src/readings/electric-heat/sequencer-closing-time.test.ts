import { enter, judged } from '../../testing/reading.ts';
import { sequencerClosingTime as kind } from './sequencer-closing-time.ts';

// Common practice, no source: contacts close one after the other in 30 to 90 s.
test('30 to 90 s is usual; never is a finding', () => {
  expect(judged(kind, { seconds: 45 }).standing).toBe('sound');
  expect(judged(kind, { seconds: 110 }).standing).toBe('watch');
  expect(judged(kind, { seconds: 200 }).standing).toBe('act');
  expect(judged(kind, { seconds: 'OL' }).says).toMatch(/Never closed/);
});

test('closed with the call is a finding, and ten minutes are no slip of the decimal point', () => {
  expect(judged(kind, { seconds: 0 })).toMatchObject({
    standing: 'act',
    because: { numbers: { found: ['closed-at-once'] } },
  });
  expect(enter(kind, { seconds: 600 })).toMatchObject({ outcome: 'taken', value: 600 });
  expect(judged(kind, { seconds: 600 }).standing).toBe('act');
});
