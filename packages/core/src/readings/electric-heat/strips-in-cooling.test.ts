import { sayReason } from '../../words/reasons.ts';
import { judged } from '../../testing/reading.ts';
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
    '20.8 A at 240 V add 17,000 Btu/h to the air being cooled: 47 % of its cooling.',
  );
  expect(judged(kind, { amps: 0 }).reasons.some((r) => r.because.code === 'heat-added')).toBe(false);
});
