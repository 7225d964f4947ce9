import { DEFAULT_POLICY } from '../../verdict/policy.ts';
import type { About } from '../contract/entry.ts';
import { outdoorFanAmps as kind } from './outdoor-fan-amps.ts';

const about = (outdoorFanFla?: number): About => ({
  systemKind: 'split-heat-pump',
  plate: { outdoorFanFla },
  component: { slot: 'outdoor-fan', kind: 'outdoor-fan', plate: {}, fittedOn: null },
  point: 'whole',
});

test('held against FLA, watched from 90 % (common practice, no source)', () => {
  expect(kind.limits(about(1.2), DEFAULT_POLICY)).toMatchObject({
    known: true,
    upper: 1.2,
    watchUpper: expect.closeTo(1.08) as number,
    figure: 'FLA',
  });
  expect(kind.limits(about(), DEFAULT_POLICY)).toMatchObject({ known: false, because: { code: 'fla-unknown' } });
});

test('0.09 A on a 1.2 A fan is a slipped point', () => {
  expect(kind.plausible(about(1.2))?.low).toBeGreaterThan(0.09);
});
