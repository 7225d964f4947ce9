import { judged } from '../../testing/reading.ts';
import { controlVolts as kind } from './control-volts.ts';

// Common practice, no source: 24 to 28 V good, 18 to 30 tolerated.
test.each([
  [26, 'sound'],
  [24, 'sound'],
  [22, 'watch'],
  [29, 'watch'],
  [17.9, 'watch'],
  [17.5, 'act'],
  [31, 'act'],
])('%f V is %s', (volts, standing) => {
  expect(judged(kind, { volts }).standing).toBe(standing);
});

test('too low says what to look at', () => {
  expect(judged(kind, { volts: 15 }).says).toBe(
    '15 V; 18 to 30 tolerated. Transformer, a loose joint, or too much load on it.',
  );
});
