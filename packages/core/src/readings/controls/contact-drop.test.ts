import { enter, judged } from '../../testing/reading.ts';
import { contactDrop as kind } from './contact-drop.ts';

// Common practice, no source: volts across a closed contact are near zero.
test.each([
  [0.1, 'sound'],
  [0.9, 'watch'],
  [3.4, 'act'],
])('%f V across a closed contact is %s', (volts, standing) => {
  expect(judged(kind, { volts }).standing).toBe(standing);
});

test('25 read off a meter that has gone to mV is asked about; 12 V are a burnt contact, and no slip', () => {
  const asked = enter(kind, { volts: 25 });
  expect(asked).toMatchObject({
    outcome: 'questioned',
    questions: [{ code: 'far-from-plausible', numbers: { perhaps: { input: 'volts', value: 0.025 } } }],
  });
  expect(enter(kind, { volts: 12 }).outcome).toBe('taken');
});
