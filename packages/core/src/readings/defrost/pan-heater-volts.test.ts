import { judged } from '../../testing/reading.ts';
import { panHeaterVolts as kind } from './pan-heater-volts.ts';

const setting = { system: 'ductless-heat-pump' as const, conditions: { lineVolts: 240 } };

// Common practice, no source.
test.each([
  [{ inDefrost: 238 }, 'sound'],
  [{ inDefrost: 238, after: 0 }, 'sound'],
  [{ inDefrost: 238, after: 239 }, 'sound'],
  [{ inDefrost: 0 }, 'watch'],
  [{ inDefrost: 120 }, 'act'],
])('%j is %s', (inputs, standing) => {
  expect(judged(kind, inputs, setting).standing).toBe(standing);
});

test('no volts condemn no heater: what should switch it comes first', () => {
  expect(judged(kind, { inDefrost: 0 }, setting).says).toMatch(/not the heater.*control/i);
});
