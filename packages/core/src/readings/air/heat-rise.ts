import { hasStrips } from '../../equipment/component.ts';
import type { NumericKind } from '../contract/kind.ts';
import { rise, supplyDry } from './supply-air.ts';
import { noBasis, unworn } from '../contract/window.ts';

/** Temperature rise over the electric heat, °F, settled: what airflow is worked out from. */
export const heatRise: NumericKind = {
  type: 'number',
  id: 'heat-rise',
  title: 'Rise over the electric heat',
  component: 'air-side',
  unit: '°F',
  plateLine: ({ conditions }) =>
    conditions?.returnF === undefined ? 'take the return first' : `return ${conditions.returnF} °F`,
  ...unworn,
  movedBy: ['line volts: power goes with their square', 'airflow', 'how long it has run'],
  baselineDecides: () => true,
  methods: [
    {
      id: 'supply',
      title: 'supply probe out of sight of the strips',
      stops: ['electric-heat'],
      order: 35,
      points: ({ systemKind, plate }) => (hasStrips(systemKind, plate) ? ['whole'] : []),
      inputs: [supplyDry],
      evaluate: rise,
      error: () => 1.2,
    },
  ],
  tells: ({ inputs, value }, conditions) =>
    value === null || typeof inputs.supplyF !== 'number' ? conditions : { ...conditions, supplyF: inputs.supplyF },
  limits: () => noBasis('no-limit'),
  plausible: () => ({ low: 3, high: 90 }),
};
