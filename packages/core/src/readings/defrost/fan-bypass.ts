import type { FindingKind } from '../contract/kind.ts';
import { choices, found } from '../contract/window.ts';

/** With the outdoor fan dead and its capacitor good: its lead moved past the board's relay shows which of the two it is. */
export const fanBypass: FindingKind = {
  type: 'finding',
  id: 'fan-bypass',
  title: 'Outdoor fan past the board’s relay',
  component: 'defrost-board',
  plateLine: () => 'only if the fan is dead and its capacitor good',
  methods: [
    {
      id: 'moved-lead',
      title: 'lead moved past the relay, power off while moving it',
      stops: ['defrost'],
      order: 30,
      optional: 'on-fault',
      points: () => ['whole'],
      inputs: [
        {
          id: 'fan',
          type: 'choice',
          label: 'The fan',
          options: choices({ 'fan-runs-past-relay': 'Runs', 'fan-dead-past-relay': 'Still dead' }),
        },
      ],
      evaluate: (inputs) => found(inputs.fan as 'fan-runs-past-relay' | 'fan-dead-past-relay'),
    },
  ],
};
