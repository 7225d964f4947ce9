import type { Point } from '../../equipment/component.ts';
import { heatVoltsOf } from '../../equipment/plate.ts';
import { heatAdded } from '../../trade/electric-heat/heat-added.ts';
import type { Judgment } from '../../verdict/judgment.ts';
import type { About, InputSpec } from '../contract/entry.ts';
import type { NumericKind } from '../contract/kind.ts';
import { unworn, windowLimits } from '../contract/window.ts';
import { clampAmps } from '../motor/motor-amps.ts';
import { heaterPointsOf } from './heater-amps.ts';

/** Two legs of one load carry the same; what they differ by beyond a clamp's error goes to ground, A. Common practice, no source. */
const LEGS_DIFFER = 1;

function judgeLegs(amps: Readonly<Partial<Record<Point, number>>>): Judgment | null {
  const [first, second] = [amps['leg-1'], amps['leg-2']];
  if (first === undefined || second === undefined || Math.abs(first - second) < LEGS_DIFFER) return null;
  return {
    basis: 'cross-check',
    standing: 'act',
    limit: null,
    because: { code: 'legs-differ', numbers: { first, second } },
  };
}

/** What a clamp shows that was not zeroed, A; and a blower where its plate does not say. Common practice, no source. */
const NOT_ZEROED = 0.3;
const USUAL_BLOWER = 4;

/** What is read with no heat on all the same: the clamp's own, and the blower where it shares the feed. */
const besidesAt = ({ point, plate }: About): number =>
  point.startsWith('element-') ? NOT_ZEROED : NOT_ZEROED + (plate.blowerFla ?? USUAL_BLOWER);

const amps: InputSpec = { id: 'amps', type: 'number', label: 'Amps', unit: 'A', overLimit: false, probe: 'clamp' };

/**
 * Amps of the electric heat while none of it is called, A: every element, and every wire, must read zero, while it cools
 * as with no call at all.
 */
export const stripsInCooling: NumericKind = {
  type: 'number',
  id: 'strips-in-cooling',
  title: 'Electric heat amps, not called',
  component: 'electric-heat',
  unit: 'A',
  plateLine: () => 'must be zero',
  ...unworn,
  methods: [
    {
      id: 'clamp',
      title: 'clamp on the heater’s feed, cooling',
      stops: ['cooling-air'],
      order: 20,
      points: () => ['total'],
      usual: () => ({ amps: 0 }),
      inputs: [amps],
      evaluate: clampAmps,
      error: () => 0.2,
    },
    {
      id: 'no-call',
      title: 'clamp, power on, no call',
      stops: ['calls'],
      order: 80,
      optional: 'on-fault',
      points: (where) => [...heaterPointsOf(where), 'leg-1', 'leg-2'],
      usual: () => ({ amps: 0 }),
      inputs: [amps],
      evaluate: clampAmps,
      error: () => 0.2,
    },
  ],
  limits: (about, policy) =>
    windowLimits('no-strips', { nominal: 0, upper: policy.electricHeat.zeroAmps + besidesAt(about) }),
  plausible: () => ({ low: 0, high: 100 }),
  acrossPoints: judgeLegs,
  costs: (drawn, { plate, conditions }) => {
    const volts = conditions?.lineVolts ?? heatVoltsOf(plate);
    const added = heatAdded({ volts, amps: drawn, tons: plate.tons });
    return added && { code: 'heat-added', numbers: { amps: drawn, volts, ...added } };
  },
};
