import type { ReadingKind } from './kind.ts';
import { contactsOf } from './sequencer-contact.ts';
import { taken, unworn, windowLimits } from './window.ts';

/** Volts across each sequencer contact with the heat called, V: none across a closed one, line volts across an open one. */
export const sequencerContactVolts: ReadingKind = {
  id: 'sequencer-contact-volts',
  title: 'Volts across sequencer',
  component: 'sequencer',
  unit: 'V',
  decimals: 1,
  plateLine: () => 'near zero when closed',
  ...unworn,
  movedBy: ['amps through it'],
  plateDecides: () => true,
  methods: [
    {
      id: 'meter',
      title: 'meter across it, heat called',
      stops: ['electric-heat'],
      order: 25,
      optional: true,
      points: contactsOf,
      inputs: [{ id: 'volts', type: 'number', label: 'Volts across', unit: 'V', overLimit: false, probe: 'volts' }],
      evaluate: (inputs) => taken(Number(inputs.volts)),
      error: () => 0.1,
    },
  ],
  limits: (_about, { contactDrop }) =>
    windowLimits('closed-contact', { nominal: 0, upper: contactDrop.mostVolts, watchUpper: contactDrop.watchVolts }),
  plausible: () => ({ low: 0, high: 290 }),
};
