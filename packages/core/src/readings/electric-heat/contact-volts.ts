import { heatVoltsOf } from '../../equipment/plate.ts';
import { contactsOf } from './sequencer-contact.ts';
import type { About, Evaluated, Inputs, InputSpec } from '../contract/entry.ts';
import type { ComponentKind } from '../../equipment/component.ts';
import type { ReadingKindId } from '../contract/kind-ids.ts';
import type { NumericKind } from '../contract/kind.ts';
import { found, taken, unworn, windowLimits } from '../contract/window.ts';

/** Below this nothing flows that would show a path, A; across this share of the line a contact is open. Common practice, no source. */
const LIVE_AMPS = 1;
const OPEN_SHARE = 0.6;
/** More than a closed contact drops, whatever it carries, V. Common practice, no source. */
const MOST_DROP = 10;

const volts: InputSpec = {
  id: 'volts',
  type: 'number',
  label: 'Volts across',
  unit: 'V',
  overLimit: false,
  probe: 'volts',
};
const amps: InputSpec = {
  id: 'amps',
  type: 'number',
  label: 'Amps through it',
  unit: 'A',
  overLimit: false,
  optional: true,
  probe: 'clamp',
};

/** What volts across a contact and amps through it say together: volts alone prove nothing once they are zero. */
function across(inputs: Inputs, about: About, called: boolean): Evaluated {
  const [read, through] = [Number(inputs.volts), inputs.amps];
  const line = about.conditions?.lineVolts ?? heatVoltsOf(about.plate);
  const flows = typeof through === 'number' && through >= LIVE_AMPS;
  if (flows && read <= MOST_DROP) return called ? taken(read) : found('contact-welded');
  if (read >= OPEN_SHARE * line) return found(called ? 'contact-open' : 'contact-open-at-rest');
  return found('contact-path-unproven');
}

/**
 * Volts across each contact that switches electric heat, V, with the heat called and without: line volts across an open one; across a closed
 * one next to none, which counts only with amps to show a live path.
 */
export const contactVolts = (contact: { id: ReadingKindId; title: string; component: ComponentKind }): NumericKind => ({
  type: 'number',
  ...contact,
  unit: 'V',
  plateLine: () => 'called: near zero, with its amps; no call: line volts',
  ...unworn,
  movedBy: ['amps through it'],
  methods: [
    {
      id: 'meter',
      title: 'meter across it, heat called',
      stops: ['electric-heat'],
      order: 25,
      optional: true,
      points: contactsOf,
      inputs: [volts, amps],
      evaluate: (inputs, about) => across(inputs, about, true),
      error: () => 0.1,
    },
    {
      id: 'no-call',
      title: 'meter across it, no call, power on',
      stops: ['calls'],
      order: 90,
      optional: true,
      points: contactsOf,
      inputs: [volts, amps],
      evaluate: (inputs, about) => across(inputs, about, false),
      error: () => 0.1,
    },
  ],
  limits: (_about, { contactDrop }) =>
    windowLimits('closed-contact', { nominal: 0, upper: contactDrop.mostVolts, watchUpper: contactDrop.watchVolts }),
  plausible: () => ({ low: 0, high: 290 }),
});
