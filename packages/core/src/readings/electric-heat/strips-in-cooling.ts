import { heatVoltsOf } from '../../equipment/plate.ts';
import { heatAdded } from '../../trade/electric-heat/heat-added.ts';
import type { NumericKind } from '../contract/kind.ts';
import { clampAmps } from '../motor/motor-amps.ts';
import { unworn, windowLimits } from '../contract/window.ts';

/** Amps of the electric heat while it cools, A: every element must read zero. */
export const stripsInCooling: NumericKind = {
  type: 'number',
  id: 'strips-in-cooling',
  title: 'Electric heat amps in cooling',
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
      inputs: [{ id: 'amps', type: 'number', label: 'Amps', unit: 'A', overLimit: false, probe: 'clamp' }],
      evaluate: clampAmps,
      error: () => 0.2,
    },
  ],
  limits: (_about, policy) => windowLimits('no-strips', { nominal: 0, upper: policy.electricHeat.zeroAmps }),
  plausible: () => ({ low: 0, high: 100 }),
  costs: (amps, { plate, conditions }) => {
    const volts = conditions?.lineVolts ?? heatVoltsOf(plate);
    const added = heatAdded({ volts, amps, tons: plate.tons });
    return added && { code: 'heat-added', numbers: { amps, volts, ...added } };
  },
};
