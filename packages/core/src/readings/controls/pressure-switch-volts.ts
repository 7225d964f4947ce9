import type { NumericKind } from '../contract/kind.ts';
import { taken, unworn, windowLimits } from '../contract/window.ts';

/** Volts across a pressure switch while it runs, V: closed in normal running, so none. */
export const pressureSwitchVolts: NumericKind = {
  type: 'number',
  id: 'pressure-switch-volts',
  title: 'volts across',
  component: 'pressure-switch',
  unit: 'V',
  plateLine: () => 'closed when running: none; 24 V when open',
  ...unworn,
  methods: [
    {
      id: 'meter',
      title: 'meter across it, running',
      stops: ['cooling', 'heating'],
      order: 58,
      points: () => ['whole'],
      usual: () => ({ volts: 0 }),
      inputs: [{ id: 'volts', type: 'number', label: 'Volts across', unit: 'V', overLimit: false, probe: 'volts' }],
      evaluate: (inputs) => taken(Number(inputs.volts)),
      error: () => 0.1,
    },
  ],
  limits: (_about, { contactDrop }) =>
    windowLimits('pressure-switch', { nominal: 0, upper: contactDrop.mostVolts, watchUpper: contactDrop.watchVolts }),
  plausible: () => ({ low: 0, high: 32 }),
};
