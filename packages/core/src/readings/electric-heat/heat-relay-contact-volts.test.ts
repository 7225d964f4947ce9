import { judged } from '../../testing/reading.ts';
import { heatRelayContactVolts as kind } from './heat-relay-contact-volts.ts';

// Common practice, no source: as for a sequencer's contacts.
test('a relay of the strips is welded when current flows through it with no call', () => {
  const plate = { heatKilowatts: 10, heatSwitch: 'relay' as const };
  const says = (inputs: { volts: number; amps?: number }, method: string) =>
    judged(kind, inputs, { plate, system: 'air-handler-electric-heat', conditions: { lineVolts: 240 } }, method);
  expect(says({ volts: 0.1, amps: 20.4 }, 'no-call')).toMatchObject({ standing: 'act' });
  expect(says({ volts: 0.1, amps: 20.4 }, 'no-call').says).toMatch(/welded/);
  expect(says({ volts: 240 }, 'no-call').standing).toBe('sound');
  expect(says({ volts: 0 }, 'no-call').standing).toBe('unproven');
});
