import { judged } from '../../testing/reading.ts';
import { pressureSwitchOhms as kind } from './pressure-switch-ohms.ts';

// Common practice, no source.
test.each([
  [0.2, 'sound'],
  [2, 'watch'],
  [20, 'act'],
  ['OL', 'act'],
] as const)('%s Ω across a pressure switch: %s', (ohms, standing) => {
  expect(judged(kind, { ohms }).standing).toBe(standing);
});

test('an open one is not called bad before its pressure is known, and never bypassed', () => {
  expect(judged(kind, { ohms: 'OL' }).says).toMatch(/find out why.*do not bypass/);
});
