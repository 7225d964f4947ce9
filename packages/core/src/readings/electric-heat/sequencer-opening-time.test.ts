import { judged } from '../../testing/reading.ts';
import { sequencerOpeningTime as kind } from './sequencer-opening-time.ts';

// Common practice, no source: contacts open in 30 to 90 s after the call has ended.
test.each([
  [60, 'sound'],
  [110, 'watch'],
  [200, 'act'],
  ['OL', 'act'],
  [1, 'watch'],
] as const)('%s s until it opens is %s', (seconds, standing) => {
  expect(judged(kind, { seconds }).standing).toBe(standing);
});

test('one that never opens heats with no call', () => {
  expect(judged(kind, { seconds: 'OL' }).says).toMatch(/Never opened.*with no call/);
});
