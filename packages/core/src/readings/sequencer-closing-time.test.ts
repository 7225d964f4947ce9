import { judged } from '../testing/reading.ts';
import { sequencerClosingTime as kind } from './sequencer-closing-time.ts';

// Common practice, no source: contacts close one after the other in 30 to 90 s.
test('30 to 90 s is usual; never is a finding', () => {
  expect(judged(kind, { seconds: 45 }).standing).toBe('sound');
  expect(judged(kind, { seconds: 110 }).standing).toBe('watch');
  expect(judged(kind, { seconds: 200 }).standing).toBe('act');
  expect(judged(kind, { seconds: 'OL' }).says).toMatch(/Never closed/);
});
