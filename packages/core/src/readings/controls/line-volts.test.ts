import { DEFAULT_POLICY } from '../../verdict/policy.ts';
import type { About } from '../contract/entry.ts';
import { lineVolts as kind } from './line-volts.ts';

const about = (volts?: '208/230' | '208' | '115'): About => ({
  systemKind: 'split-heat-pump',
  plate: { volts },
  component: { slot: 'supply', kind: 'supply', plate: {}, fittedOn: null },
  point: 'whole',
});

// Source: ANSI C84.1 range A, service voltage ±5 %.
test.each([
  ['208/230', 228, 252],
  ['208', 197.6, 218.4],
  ['115', 114, 126],
] as const)('plate %s V: good from %f to %f V', (volts, low, high) => {
  const limits = kind.limits(about(volts), DEFAULT_POLICY);
  expect(limits).toMatchObject({
    known: true,
    watchLower: expect.closeTo(low) as number,
    watchUpper: expect.closeTo(high) as number,
  });
});

test('volts do not wear', () => {
  expect(kind.wear).toBe('none');
  expect(kind.judgeBaseline).toBeUndefined();
});
