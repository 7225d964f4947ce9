import { sayReason } from '../../words/reasons.ts';
import { aboutOf, judged } from '../../testing/reading.ts';
import { stripsInCooling as kind } from './strips-in-cooling.ts';

test('every element must read zero while it cools', () => {
  expect(judged(kind, { amps: 0 }).standing).toBe('sound');
  expect(judged(kind, { amps: 20.8 })).toMatchObject({ standing: 'act' });
  expect(judged(kind, { amps: 20.8 }).says).toMatch(/welded relay or sequencer/);
});

test('what a stuck strip costs is said: heat added, and its share of the cooling', () => {
  const verdict = judged(
    kind,
    { amps: 20.8 },
    { plate: { heatKilowatts: 10, tons: 3 }, conditions: { lineVolts: 240 } },
  );
  const cost = verdict.reasons.find((r) => r.because.code === 'heat-added');
  expect(cost && sayReason(cost.because).replaceAll('\u00a0', ' ')).toBe(
    '20.8 A at 240 V are 17,000 Btu/h of heat that nobody called: 47 % of its cooling.',
  );
  expect(judged(kind, { amps: 0 }).reasons.some((r) => r.because.code === 'heat-added')).toBe(false);
});

test('with no call every bank and every wire is read, in either season', () => {
  const plate = { heatKilowatts: 15, heatElements: 3, heatCircuits: 2 };
  const method = kind.methods.find((m) => m.id === 'no-call')!;
  expect(method.stops).toEqual(['calls']);
  expect(method.points(aboutOf(kind, { plate }))).toEqual([
    'total',
    'circuit-1',
    'circuit-2',
    'element-1',
    'element-2',
    'element-3',
    'leg-1',
    'leg-2',
  ]);
  const bank = judged(kind, { amps: 20.5 }, { plate, point: 'element-2' }, 'no-call');
  expect(bank).toMatchObject({ standing: 'act' });
  expect(bank.says).toMatch(/though none is called/);
  expect(judged(kind, { amps: 0 }, { plate, point: 'leg-1' }, 'no-call').standing).toBe('sound');
});

// Kirchhoff's current law: what goes out on one leg comes back on the other, unless some of it goes to ground.
test.each([
  [20.5, 20.3, null],
  [20.5, 3.1, 'legs-differ'],
  [0, 0, null],
])('%f A on one leg and %f on the other: %s', (first, second, code) => {
  expect(kind.acrossPoints?.({ 'leg-1': first, 'leg-2': second })?.because.code ?? null).toBe(code);
  expect(kind.acrossPoints?.({ 'leg-1': first }) ?? null).toBeNull();
});
