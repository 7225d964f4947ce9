import type { ReadingKind } from './kind.ts';
import { choices, found, judgeFindings, noBasis, unworn } from './window.ts';

/** With the outdoor fan dead and its capacitor good: its lead moved past the board's relay shows which of the two it is. */
export const fanBypass: ReadingKind = {
  id: 'fan-bypass',
  title: 'Outdoor fan past the board’s relay',
  component: 'defrost-board',
  unit: '%',
  decimals: 0,
  plateLine: () => 'only if the fan is dead and its capacitor good',
  ...unworn,
  movedBy: [],
  plateDecides: () => true,
  methods: [
    {
      id: 'moved-lead',
      title: 'lead moved past the relay, power off while moving it',
      stops: ['defrost'],
      order: 30,
      optional: true,
      points: () => ['whole'],
      inputs: [
        {
          id: 'fan',
          type: 'choice',
          label: 'The fan',
          options: choices({ 'fan-runs-past-relay': 'Runs', 'fan-dead-past-relay': 'Still dead' }),
        },
      ],
      evaluate: (inputs) => found(String(inputs.fan)),
      error: () => 0,
    },
  ],
  limits: () => noBasis('no-limit'),
  plausible: () => null,
  judgeFinding: judgeFindings,
};
