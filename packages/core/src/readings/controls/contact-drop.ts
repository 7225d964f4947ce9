import type { NumericKind } from '../contract/kind.ts';
import { taken, windowLimits } from '../contract/window.ts';

/** Volts across the contactor's closed contact, V: near zero when sound (common practice, no source). */
export const contactDrop: NumericKind = {
  type: 'number',
  id: 'contact-drop',
  title: 'Volts across contactor',
  component: 'contactor',
  unit: 'V',
  plateLine: () => 'near zero when closed',
  wear: 'rises',
  movedBy: ['amps through it'],
  methods: [
    {
      id: 'meter',
      title: 'meter across the closed contact',
      stops: ['cooling', 'heating'],
      order: 55,
      points: () => ['whole'],
      inputs: [{ id: 'volts', type: 'number', label: 'Volts across', unit: 'V', overLimit: false, probe: 'volts' }],
      evaluate: (inputs) => taken(Number(inputs.volts)),
      error: (value) => Math.hypot(0.03, 0.05 * value),
    },
  ],
  limits: (_about, policy) =>
    windowLimits('closed-contact', {
      nominal: 0.5,
      upper: policy.contactDrop.mostVolts,
      watchUpper: policy.contactDrop.watchVolts,
    }),
  // What carries drops no more; a meter that ranges by itself shows mV.
  plausible: () => ({ low: 0, high: 20 }),
  unitSlips: [0.001],
  // Volts a year: sound contacts hold for years, burnt ones do not. Common practice, no source.
  driftIn: 'unit',
  driftPrior: { meanShare: 0.03, sdShare: 0.15 },
};
