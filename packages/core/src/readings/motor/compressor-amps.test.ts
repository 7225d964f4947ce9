import { DEFAULT_POLICY } from '../../verdict/policy.ts';
import { compressorAmps as kind } from './compressor-amps.ts';
import type { About } from '../contract/entry.ts';

const component = { slot: 'compressor', kind: 'compressor', plate: {}, fittedOn: null } as const;
const about = (plate: About['plate'], point: About['point'] = 'common'): About => ({
  systemKind: 'split-heat-pump',
  plate,
  component,
  point,
});

test('an inverter is read on its line, others on three wires', () => {
  const points = kind.methods[0]!.points;
  expect(points({ component, plate: {}, systemKind: 'ductless-heat-pump' })).toEqual(['line']);
  expect(points({ component, plate: {}, systemKind: 'split-heat-pump' })).toEqual(['common', 'run', 'start-wire']);
});

test('limits come from RLA, never from the breaker', () => {
  const limits = kind.limits(about({ compressorRla: 20, mocp: 45 }), DEFAULT_POLICY);
  expect(limits).toMatchObject({ known: true, upper: 20, watchUpper: 18, derived: false });
  expect(kind.limits(about({ mocp: 45 }), DEFAULT_POLICY).known).toBe(false);
});

test('the start wire has a range of its own', () => {
  expect(kind.plausible(about({ compressorRla: 20 }, 'start-wire'))).toEqual({ low: 0.4, high: 15 });
});

test('a fall within weather is not held against a compressor', () => {
  const departure = { value: 13, baseline: 15, offPercent: -13, from: 'first-sound', unit: 'A' } as const;
  expect(kind.judgeBaseline?.(departure, about({}), DEFAULT_POLICY).standing).toBe('sound');
});
