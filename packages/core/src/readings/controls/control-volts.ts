import type { NumericKind } from '../contract/kind.ts';
import { taken, unworn, windowLimits } from '../contract/window.ts';

/** Control volts from R to C, V: 24 to 28 good, 18 to 30 tolerated (common practice, no source). */
export const controlVolts: NumericKind = {
  type: 'number',
  id: 'control-volts',
  title: 'Control volts, R to C',
  component: 'transformer',
  unit: 'V',
  plateLine: () => 'good 24 to 28 V',
  ...unworn,
  movedBy: ['line volts', 'what is called for'],
  methods: [
    {
      id: 'meter',
      title: 'meter, a call on',
      stops: ['calls'],
      order: 50,
      points: () => ['whole'],
      inputs: [{ id: 'volts', type: 'number', label: 'Volts', unit: 'V', overLimit: false, probe: 'volts' }],
      evaluate: (inputs) => taken(Number(inputs.volts)),
      error: () => 0.4,
    },
  ],
  limits: (_about, { controlVolts: c }) =>
    windowLimits('control-volts', {
      nominal: 26,
      lower: c.low,
      upper: c.high,
      watchLower: c.goodLow,
      watchUpper: c.goodHigh,
    }),
  plausible: () => ({ low: 0, high: 42 }),
};
