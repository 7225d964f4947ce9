import { judged } from '../../testing/reading.ts';
import { suctionLine as kind } from './suction-line.ts';

// Common practice, no source: a hand on the line tells where to look, and condemns nothing.
test.each([
  ['suction-cold', 'sound'],
  ['suction-not-cold', 'watch'],
  ['suction-frosted', 'watch'],
])('%s is %s', (felt, standing) => {
  expect(judged(kind, { felt }).standing).toBe(standing);
});

test('frost sends to the air before the charge', () => {
  expect(judged(kind, { felt: 'suction-frosted' }).says).toMatch(/air first/);
});
