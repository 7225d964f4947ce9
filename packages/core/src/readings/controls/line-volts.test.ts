import { DEFAULT_POLICY } from '../../verdict/policy.ts';
import type { About } from '../contract/entry.ts';
import { lineVolts as kind } from './line-volts.ts';

const about = (volts?: '208/230' | '230' | '208' | '115'): About => ({
  systemKind: 'split-heat-pump',
  plate: { volts },
  component: { slot: 'supply', kind: 'supply', plate: {}, fittedOn: null },
  point: 'whole',
});

// Source: ANSI C84.1 range A: 5 % above, and at a machine that runs 10 % below; a 208/230 V plate stands on either supply.
test.each([
  ['208/230', 187.2, 252],
  ['230', 216, 252],
  ['208', 187.2, 218.4],
  ['115', 108, 126],
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
