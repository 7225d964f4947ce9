import { judged } from '../../testing/reading.ts';
import { blowerRelayContactOhms } from './blower-relay-contact-ohms.ts';
import { contactorContactOhms } from './contactor-contact-ohms.ts';

// Common practice, no source: at rest a normally open contact reads OL, a normally closed one next to none.
test.each([
  ['no-contact', 'OL', 'sound'],
  ['no-contact', 0.2, 'act'],
  ['nc-contact', 0.2, 'sound'],
  ['nc-contact', 12, 'watch'],
  ['nc-contact', 'OL', 'act'],
] as const)('%s at %s Ω: %s', (point, ohms, standing) => {
  expect(judged(blowerRelayContactOhms, { ohms }, { point }).standing).toBe(standing);
});

test('a welded contactor is found by ohms', () => {
  expect(judged(contactorContactOhms, { ohms: 0.1 }, { point: 'no-contact' }).says).toMatch(/welded/);
});
