import { judged } from '../../testing/reading.ts';
import { sequencerContactVolts as kind } from './sequencer-contact-volts.ts';

// Common practice, no source: what volts across a contact mean depends on the call, and zero alone means nothing.
const says = (inputs: { volts: number; amps?: number }, method: 'meter' | 'no-call') => {
  const { standing, because } = judged(kind, inputs, { conditions: { lineVolts: 241 } }, method);
  return [standing, because.code === 'finding' ? because.numbers.found.join() : 'its drop'];
};

test.each([
  [{ volts: 241 }, 'meter', 'act', 'contact-open'],
  [{ volts: 0.1, amps: 20.6 }, 'meter', 'sound', 'its drop'],
  [{ volts: 3.5, amps: 20.6 }, 'meter', 'act', 'its drop'],
  [{ volts: 0.1 }, 'meter', 'unproven', 'contact-path-unproven'],
  [{ volts: 0, amps: 0 }, 'meter', 'unproven', 'contact-path-unproven'],
  [{ volts: 240 }, 'no-call', 'sound', 'contact-open-at-rest'],
  [{ volts: 0.2, amps: 20.4 }, 'no-call', 'act', 'contact-welded'],
  [{ volts: 0 }, 'no-call', 'unproven', 'contact-path-unproven'],
  [{ volts: 0, amps: 0 }, 'no-call', 'unproven', 'contact-path-unproven'],
] as const)('%j by %s: %s, %s', (inputs, method, standing, found) => {
  expect(says(inputs, method)).toEqual([standing, found]);
});
