import { judged } from '../../testing/reading.ts';
import { heatRelayContactOhms } from './heat-relay-contact-ohms.ts';
import { sequencerContactOhms } from './sequencer-contact-ohms.ts';

// Common practice, no source: at rest a contact that switches heat reads OL.
test('a welded contact of the electric heat is found by ohms at rest', () => {
  const plate = { heatKilowatts: 10, heatSwitch: 'relay' as const };
  const relay = (ohms: number | 'OL') => judged(heatRelayContactOhms, { ohms }, { plate, point: 'no-contact' });
  const sequencer = (ohms: number | 'OL') => judged(sequencerContactOhms, { ohms }, { point: 'no-contact' });
  expect([relay('OL').standing, sequencer('OL').standing]).toEqual(['sound', 'sound']);
  expect([relay(0.1).standing, sequencer(0.1).standing]).toEqual(['act', 'act']);
  expect(relay(0.1).says).toMatch(/welded/);
});
