import { enter, judged } from '../../testing/reading.ts';
import { blowerRelayCoilOhms } from './blower-relay-coil-ohms.ts';
import { contactorCoilOhms } from './contactor-coil-ohms.ts';
import { sequencerCoilOhms } from '../electric-heat/sequencer-coil-ohms.ts';

// Common practice, no source: contactor coils 10 to 20 Ω, a common blower relay around 70 Ω.
test.each([
  [contactorCoilOhms, 14, 'sound'],
  [contactorCoilOhms, 8, 'watch'],
  [contactorCoilOhms, 4.5, 'act'],
  [blowerRelayCoilOhms, 70, 'sound'],
  [blowerRelayCoilOhms, 30, 'act'],
] as const)('%# a coil of %f Ω', (kind, first, standing) => {
  expect(judged(kind, { first }).standing).toBe(standing);
});

test('three samples give their middle; samples that do not agree jump, even when one is fine', () => {
  expect(enter(contactorCoilOhms, { first: 14.2, second: 13.9, third: 14.4 })).toMatchObject({
    outcome: 'taken',
    value: 14.2,
    findings: [],
  });
  expect(enter(contactorCoilOhms, { first: 14.2, second: 9.1, third: 14 })).toMatchObject({ findings: ['jumps'] });
  expect(judged(contactorCoilOhms, { first: 'jumps' }).says).toMatch(/failing even if one sample is fine/);
  expect(enter(contactorCoilOhms, { first: 14, second: 'OL' })).toMatchObject({ findings: ['jumps'] });
});

test('OL is open, near zero is shorted', () => {
  expect(enter(contactorCoilOhms, { first: 'OL' })).toMatchObject({ findings: ['open'], value: null });
  expect(enter(contactorCoilOhms, { first: 0.1 })).toMatchObject({ findings: ['shorted'] });
});

test('a sequencer is held against its own past alone', () => {
  expect(judged(sequencerCoilOhms, { first: 55 }).standing).toBe('unproven');
});

test('half the usual ohms are shorted turns: act, on the first reading and against its own past', () => {
  expect(judged(contactorCoilOhms, { first: 7 }).standing).toBe('act');
  expect(judged(contactorCoilOhms, { first: 8.5 }).standing).toBe('watch');
  expect(judged(blowerRelayCoilOhms, { first: 35 }).standing).toBe('act');
});

test('a first reading that failed is not announced as the baseline', () => {
  const codes = (ohms: number) => judged(contactorCoilOhms, { first: ohms }).reasons.map((r) => r.because.code);
  expect(codes(14)).toContain('is-the-baseline');
  expect(codes(6)).not.toContain('is-the-baseline');
});

test('a coil of 8 Ω is under the usual window, and within the one its part has for itself', () => {
  const at = (schools?: Record<string, number[]>) =>
    judged(contactorCoilOhms, { first: 8 }, schools ? { schools } : {}).standing;
  expect(at()).toBe('watch');
  expect(at({ 'contactor-coil': [5, 20] })).toBe('sound');
});
