import { enter, judged } from '../testing/reading.ts';
import { defrostChainVolts as kind } from './defrost-chain-volts.ts';

test('the first place where the volts are missing is the fault', () => {
  const seen = judged(kind, { 'r-to-c': 25, 'y-in': 25, 'run-time-sense': 25, 'sensor-feed': 25, 'sensor-return': 0 });
  expect(seen).toMatchObject({ standing: 'act', because: { numbers: { found: 'thermostat-open' } } });
  expect(judged(kind, { 'r-to-c': 2 }).says).toMatch(/transformer, low-voltage fuse/);
});

test('sound as far as it was measured proves nothing yet; all nine do', () => {
  expect(judged(kind, { 'r-to-c': 25, 'y-in': 25 }).standing).toBe('unproven');
  const all = Object.fromEntries(kind.methods[0]!.inputs.map((i) => [i.id, 25.4]));
  expect(judged(kind, all).standing).toBe('sound');
});

test('it begins at R to C', () => {
  expect(enter(kind, { 'y-in': 25 })).toMatchObject({ outcome: 'refused', input: 'r-to-c' });
});
