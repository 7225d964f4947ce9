import { judged } from '../../testing/reading.ts';
import { blowerOffDelay as kind } from './blower-off-delay.ts';

// Common practice, no source.
test.each([
  [0, 'sound'],
  [90, 'sound'],
  [180, 'watch'],
  [300, 'act'],
  ['OL', 'act'],
] as const)('a blower that runs on for %s s: %s', (seconds, standing) => {
  expect(judged(kind, { seconds }).standing).toBe(standing);
});

test('one that never stops names what holds it', () => {
  expect(judged(kind, { seconds: 'OL' }).says).toMatch(/fan switch.*relay/);
});
