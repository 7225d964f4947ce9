import { judged } from '../testing/reading.ts';
import { sequencerContactVolts as kind } from './sequencer-contact-volts.ts';

test('none across a closed contact, line volts across an open one', () => {
  expect(judged(kind, { volts: 0.1 }).standing).toBe('sound');
  expect(judged(kind, { volts: 240 }).says).toMatch(/does not carry/);
});
