import type { MeterQuantityView, MeterView } from '../http/meters.ts';
import { dayOf } from '../quantity/day.ts';
import { meterLine, meterName } from './meters.ts';
import { lineOf, textOf } from './said.ts';

const q = (over: Partial<MeterQuantityView>): MeterQuantityView => ({
  quantity: 'capacitance',
  standing: 'watch',
  off: -0.019,
  within: 0.004,
  against: 'known',
  since: dayOf('2026-03-10'),
  readings: 212,
  story: 'stepped',
  days: [],
  mean: [],
  sd: [],
  ...over,
});
const say = (over: Partial<MeterQuantityView>, whose = 'Bram’s capacitance meter') =>
  textOf(lineOf(meterLine(whose, q(over)))).replaceAll('\u00a0', ' ');

test('a meter that reads off: by how much, since when, how sure, and what to do', () => {
  expect(say({})).toBe(
    'Bram’s capacitance meter reads 1.9 % low since March 2026, give or take 0.4: 212 readings. Check it on a known capacitor.',
  );
  expect(say({ against: 'firm', since: null, off: 0.014 })).toContain('1.4 % high beside the firm’s others, give');
});

test('what is sound, open, and not known at all', () => {
  expect(say({ standing: 'sound', off: 0.0002 })).toContain('reads true: no offset to be seen, give or take 0.4');
  expect(say({ standing: 'unproven', within: 0.011, readings: 4 })).toContain('open, give or take 1.1: 4 readings');
  expect(say({ off: null, within: null, readings: 1, standing: 'unproven' })).toContain(
    'hold it against yet; 1 reading.',
  );
  expect(say({ quantity: 'pipe', off: 1.24, within: 0.3 }, 'Ann’s pipe clamps')).toContain('reads 1.2 °F high');
  expect(say({ quantity: 'pipe', off: 1.24, within: 0.3 }, 'Ann’s pipe clamps')).toContain('Check it on an ice bath.');
});

test('whose it is', () => {
  const meter = { kind: 'clamp', name: 'Clamp', personName: 'Bram Tolquist', isKept: true } as MeterView;
  expect(meterName(meter)).toBe('Bram’s clamp');
  expect(meterName({ ...meter, name: 'the long one', personName: null })).toBe('The firm’s clamp (the long one)');
  expect(meterName({ ...meter, name: '', isKept: false })).toBe('Bram’s clamp, before it was kept');
});
