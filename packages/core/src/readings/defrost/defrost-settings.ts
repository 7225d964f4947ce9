import type { FindingKind } from '../contract/kind.ts';
import { found } from '../contract/window.ts';

const degrees = (n: number) => ({ value: String(n), label: `${n} °F` });

/** The board's termination and interval jumpers. At 50 °F one school leaves it, the other moves it to 70. */
export const defrostSettings: FindingKind = {
  type: 'finding',
  id: 'defrost-settings',
  title: 'Defrost settings',
  component: 'defrost-board',
  plateLine: ({ plate }) =>
    plate.defrostTerminationF === undefined ? 'read the jumpers' : `last noted ${plate.defrostTerminationF} °F`,
  movedBy: ['whoever moved the jumper'],
  methods: [
    {
      id: 'jumpers',
      title: 'as the jumpers stand',
      stops: ['heating', 'off-outdoor'],
      order: 90,
      points: () => ['whole'],
      inputs: [
        {
          id: 'termination',
          type: 'choice',
          label: 'Ends at',
          options: [...[50, 60, 70, 80, 90, 100].map(degrees), { value: 'fixed', label: 'Fixed thermostat' }],
        },
        {
          id: 'interval',
          type: 'choice',
          label: 'Interval',
          options: [
            ...[30, 60, 90].map((n) => ({ value: String(n), label: `${n} min` })),
            { value: 'demand', label: 'On demand' },
          ],
        },
      ],
      evaluate: (inputs, { plate }) => {
        const { termination } = inputs;
        const noted = plate.defrostTerminationF;
        const isOther = noted !== undefined && termination !== 'fixed' && Number(termination) !== noted;
        // At 50 bands of frost stay, whoever set it and whichever school the firm follows.
        const low = termination === '50' ? (['terminates-low'] as const) : [];
        return found([...low, isOther ? 'setting-differs' : 'setting-read']);
      },
    },
  ],
};
