import { judged } from '../../testing/reading.ts';
import { contactDrop as kind } from './contact-drop.ts';

// Common practice, no source: volts across a closed contact are near zero.
test.each([
  [0.1, 'sound'],
  [0.9, 'watch'],
  [3.4, 'act'],
])('%f V across a closed contact is %s', (volts, standing) => {
  expect(judged(kind, { volts }).standing).toBe(standing);
});
