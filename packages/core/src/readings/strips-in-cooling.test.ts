import { judged } from '../testing/reading.ts';
import { stripsInCooling as kind } from './strips-in-cooling.ts';

test('every element must read zero while it cools', () => {
  expect(judged(kind, { amps: 0 }).standing).toBe('sound');
  expect(judged(kind, { amps: 20.8 })).toMatchObject({ standing: 'act' });
  expect(judged(kind, { amps: 20.8 }).says).toMatch(/welded relay or sequencer/);
});
