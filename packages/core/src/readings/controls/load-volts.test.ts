import type { Point } from '../../equipment/component.ts';
import { judged } from '../../testing/reading.ts';
import { heatRelayVolts } from './heat-relay-volts.ts';
import { heaterVolts } from './heater-volts.ts';
import { sequencerVolts } from './sequencer-volts.ts';
import { valveVolts } from './valve-volts.ts';
import { blowerRelayVolts } from './blower-relay-volts.ts';
import { contactorVolts as kind } from './contactor-volts.ts';

// Common practice, no source: volts at a load with its call and without; a high-resistance meter shows ghost volts.
test.each([
  ['coil', 'called', 25.6, 'sound', /fed/],
  ['coil', 'called', 0.3, 'act', /switches before it/],
  ['coil', 'called', 11, 'act', /too few/i],
  ['coil', 'no-call', 0.2, 'sound', /nothing/i],
  ['coil', 'no-call', 25, 'act', /with no call/],
  ['coil', 'no-call', 9, 'unproven', /carry nothing/],
  ['line-side', 'called', 241, 'sound', /live/i],
  ['line-side', 'no-call', 241, 'sound', /live/i],
  ['line-side', 'called', 1, 'act', /Breaker/],
  ['line-side', 'called', 121, 'act', /leg/],
  ['load-side', 'called', 240, 'sound', /fed/],
  ['load-side', 'called', 0, 'unproven', /line side and its coil/],
  ['load-side', 'no-call', 0, 'sound', /nothing/i],
  ['load-side', 'no-call', 240, 'act', /with no call/],
  ['load-side', 'no-call', 70, 'unproven', /carry nothing/],
] as const)('%s, %s, %d V: %s', (point, method, volts, standing, says) => {
  const verdict = judged(kind, { volts }, { point: point as Point }, method);
  expect(verdict.standing).toBe(standing);
  expect(verdict.says).toMatch(says);
});

test('on a 208 V line the same volts are held against that line', () => {
  const at = (lineVolts: number) =>
    judged(kind, { volts: 165 }, { point: 'load-side', conditions: { lineVolts } }, 'called').standing;
  expect([at(208), at(240)]).toEqual(['sound', 'act']);
});

test('a relay has a coil, a line side and a load; a valve has a coil alone, and a heater nothing but itself', () => {
  const points = (read: typeof kind) => read.methods.map((m) => m.points({} as never).join(' '));
  const all = 'coil line-side load-side';
  for (const read of [kind, blowerRelayVolts, heatRelayVolts, sequencerVolts]) expect(points(read)).toEqual([all, all]);
  expect(points(valveVolts)).toEqual(['coil', 'coil']);
  expect(points(heaterVolts)).toEqual(['load-side', 'load-side']);
});

test('a furnace and all in it stand on 120 V, whatever stands outdoors', () => {
  const at = (point: Point, volts: number) =>
    judged(blowerRelayVolts, { volts }, { system: 'gas-furnace-with-coil', point, conditions: { lineVolts: 240 } });
  expect([at('line-side', 120).standing, at('load-side', 120).standing]).toEqual(['sound', 'sound']);
});

test('line volts at a 24 V coil are no feed', () => {
  const verdict = judged(valveVolts, { volts: 240 }, { point: 'coil' });
  expect(verdict).toMatchObject({ standing: 'unproven' });
  expect(verdict.says).toMatch(/more than 24 V/);
});
