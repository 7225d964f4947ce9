import { nominalVoltsOf } from '../../equipment/plate.ts';
import type { About, Evaluated, Inputs } from '../contract/entry.ts';
import type { FindingKind } from '../contract/kind.ts';
import { found } from '../contract/window.ts';

/** With this share of the line across it a heater is on, below the second it is off. Common practice, no source. */
const ON_SHARE = 0.8;
const OFF_SHARE = 0.1;

function evaluate({ inDefrost, after }: Inputs, { plate, conditions = {} }: About): Evaluated {
  const line = conditions.lineVolts ?? nominalVoltsOf(plate);
  const share = (volts: unknown) => Number(volts) / line;
  if (share(inDefrost) < OFF_SHARE) return found('pan-heater-not-energized');
  if (share(inDefrost) < ON_SHARE) return found('pan-heater-low-volts');
  if (after === undefined) return found('pan-heater-energized');
  return found(['pan-heater-energized', share(after) >= ON_SHARE ? 'pan-heater-stays-on' : 'pan-heater-goes-off']);
}

/** Volts at the base pan heater in a defrost, and after it. */
export const panHeaterVolts: FindingKind = {
  type: 'finding',
  id: 'pan-heater-volts',
  title: 'Volts at the pan heater',
  component: 'base-pan-heater',
  plateLine: () => 'line volts in a defrost; after it, by the manufacturer’s control',
  movedBy: ['outdoor air: most are held off when it is warm'],
  methods: [
    {
      id: 'meter',
      title: 'meter across it, in a defrost and after',
      stops: ['heating'],
      order: 97,
      optional: 'on-fault',
      points: () => ['whole'],
      inputs: [
        { id: 'inDefrost', type: 'number', label: 'In a defrost', unit: 'V', overLimit: false, probe: 'volts' },
        {
          id: 'after',
          type: 'number',
          label: 'Ten minutes after',
          unit: 'V',
          overLimit: false,
          optional: true,
          probe: 'volts',
        },
      ],
      evaluate,
    },
  ],
};
