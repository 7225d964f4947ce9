import { judged } from '../../testing/reading.ts';
import { pressureSwitchVolts as kind } from './pressure-switch-volts.ts';

test('closed in normal running: no volts across it', () => {
  expect(judged(kind, { volts: 0 }, { slot: 'high-pressure-switch' }).standing).toBe('sound');
  expect(judged(kind, { volts: 25 }, { slot: 'low-pressure-switch' })).toMatchObject({ standing: 'act' });
  expect(judged(kind, { volts: 25 }, { slot: 'low-pressure-switch' }).says).toMatch(/do not bypass it/);
});
