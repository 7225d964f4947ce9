import { enter, judged } from '../../testing/reading.ts';
import { defrostChain as kind } from './defrost-chain.ts';

const volts = (over: Record<string, number>) => ({
  ...Object.fromEntries(kind.methods[0]!.inputs.filter((i) => i.id !== 'coilF').map((i) => [i.id, 25.4])),
  ...over,
});

test('on a summer visit an open coil thermostat is as it should be; on a cold coil it is condemned', () => {
  const summer = judged(kind, volts({ 'sensor-return': 0 }), { conditions: { outdoorF: 88 } });
  expect(summer).toMatchObject({ standing: 'sound' });
  expect(summer.says).toContain('as it should be');
  expect(judged(kind, volts({ 'sensor-return': 0, coilF: 24 }))).toMatchObject({ standing: 'act' });
  const unknown = judged(kind, volts({ 'sensor-return': 0 }));
  expect(unknown.standing).toBe('unproven');
  expect(unknown.says).toContain('Measure the coil there');
});

test('places may be left out: the fault is named by the places on either side of it', () => {
  const seen = judged(kind, { 'r-to-c': 25, 'y-in': 25, 'contactor-coil': 0 });
  expect(seen.standing).toBe('act');
  expect(seen.says).toBe(
    '24 V at Y in and none at the contactor coil: the fault lies between. Measure the places between to name it.',
  );
  expect(judged(kind, { 'r-to-c': 2 }).says).toMatch(/transformer, low-voltage fuse/);
});

test('the switches as they are wired on this machine', () => {
  const dead = volts({ 'after-low-switch': 0, 'after-high-switch': 0, 'contactor-coil': 0, 'run-time-sense': 0 });
  const wired = (pressureSwitches: 'low-high' | 'high-low') => judged(kind, dead, { plate: { pressureSwitches } }).says;
  expect(wired('low-high')).toContain('Low pressure switch open');
  expect(wired('high-low')).toContain('High pressure switch open');
});

test('sound as far as it was measured proves nothing yet; all of it does', () => {
  expect(judged(kind, { 'r-to-c': 25, 'y-in': 25 }).standing).toBe('unproven');
  expect(judged(kind, volts({ coilF: 25 })).standing).toBe('sound');
});

test('it begins at R to C', () => {
  expect(enter(kind, { 'y-in': 25 })).toMatchObject({ outcome: 'refused', input: 'r-to-c' });
});
