import { enter, judged } from '../../testing/reading.ts';
import { basePanHeaterOhms as kind } from './base-pan-heater-ohms.ts';

const setting = { system: 'ductless-heat-pump', plate: { panHeaterWatts: 120, volts: '230' } } as const;

// Source: Ohm's law, R = V²/P: 120 W at 240 V are 480 Ω.
test.each([
  [480, 'sound'],
  [300, 'act'],
  [700, 'act'],
])('%f Ω of 480 is %s', (ohms, standing) => {
  expect(judged(kind, { ohms }, setting).standing).toBe(standing);
});

test('kilohms or OL is open, zero is shorted (common practice, no source)', () => {
  expect(judged(kind, { ohms: 'OL' }, setting)).toMatchObject({
    standing: 'act',
    because: { numbers: { found: ['open'] } },
  });
  expect(judged(kind, { ohms: 12_000 }, setting).because.numbers).toMatchObject({ found: ['open'] });
  expect(judged(kind, { ohms: 0 }, setting).because.numbers).toMatchObject({ found: ['shorted'] });
});

test('anything but OL to ground stops it', () => {
  const ground = { ...setting, point: 'ground' } as const;
  expect(judged(kind, { ohms: 'OL' }, ground, 'to-ground').standing).toBe('sound');
  expect(judged(kind, { ohms: 200_000 }, ground, 'to-ground').standing).toBe('stop');
});

// Common practice, no source: hundreds of ohms are sound, kilohms and OL are not, whatever the plate says.
test.each([
  [480, 'sound'],
  [980, 'watch'],
  [2400, 'act'],
  ['OL', 'act'],
] as const)('without watts on the plate, %s Ω are %s', (ohms, standing) => {
  expect(judged(kind, { ohms }, { system: 'ductless-heat-pump', plate: {} }).standing).toBe(standing);
});

test('0.352 may be kΩ, and is asked about; a short is none', () => {
  expect(enter(kind, { ohms: 0.352 }, setting)).toMatchObject({
    outcome: 'questioned',
    questions: [{ numbers: { perhaps: { input: 'ohms', value: 352 } } }],
  });
  expect(enter(kind, { ohms: 0.01 }, setting).outcome).toBe('taken');
});
