import { DEFAULT_POLICY } from '../../verdict/policy.ts';
import { blowerAmps as kind } from './blower-amps.ts';
import type { About } from '../contract/entry.ts';

const about = (plate: About['plate']): About => ({
  systemKind: 'air-handler-electric-heat',
  plate,
  component: { slot: 'blower', kind: 'blower', plate: {}, fittedOn: null },
  point: 'whole',
});
const fell = { value: 2.2, baseline: 3, offPercent: -26.7, from: 'first-sound', unit: 'A' } as const;

test('its own past may decide where FLA is missing', () => {
  expect(kind.baselineDecides?.('whole')).toBe(true);
  expect(kind.limits(about({}), DEFAULT_POLICY).known).toBe(false);
  expect(kind.limits(about({ blowerFla: 4 }), DEFAULT_POLICY)).toMatchObject({ upper: 4 });
});

test('without knowing the motor, a fall is a fall and no more is said (common practice, no source)', () => {
  expect(kind.judgeBaseline?.(fell, about({}), DEFAULT_POLICY).because.code).toBe('off-baseline');
  expect(kind.judgeBaseline?.(fell, about({ blowerMotor: 'psc' }), DEFAULT_POLICY).because.code).toBe('blocked-air');
});

test('a small change is no finding', () => {
  expect(
    kind.judgeBaseline?.({ ...fell, value: 2.9, offPercent: -3.3 }, about({ blowerMotor: 'psc' }), DEFAULT_POLICY)
      .standing,
  ).toBe('sound');
});
