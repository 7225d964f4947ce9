import type { FindingKind } from '../contract/kind.ts';
import { choices, found } from '../contract/window.ts';

const SPEEDS = { low: 'Low', 'medium-low': 'Medium low', medium: 'Medium', 'medium-high': 'Medium high', high: 'High' };

/** On which speed a blower runs for the call at hand, as its tap or its pins are set. */
export const speedTap: FindingKind = {
  type: 'finding',
  id: 'speed-tap',
  title: 'Blower speed',
  component: 'blower',
  plateLine: () => 'airflow and rise are judged at the speed it runs',
  movedBy: ['whoever moved it'],
  methods: [
    {
      id: 'read',
      title: 'tap or pins, as they stand',
      stops: ['off-indoor'],
      order: 97,
      optional: 'on-fault',
      points: () => ['call-cooling', 'call-heating'],
      inputs: [{ id: 'speed', type: 'choice', label: 'Set to', options: choices(SPEEDS) }],
      evaluate: () => found('setting-read'),
    },
  ],
};
