import type { FindingKind } from '../contract/kind.ts';
import { choices, found } from '../contract/window.ts';
import type { Finding } from '../../verdict/findings.ts';

const FOUND = {
  'refrigerant-as-plate': 'As the plate says',
  'refrigerant-other': 'Another one',
  'refrigerant-mixed': 'Mixed, or not pure',
  'refrigerant-unmarked': 'Nothing tells',
} as const satisfies Partial<Record<Finding, string>>;

/** The refrigerant as it is found, by label, port caps or analyzer, against the plate: pressures mean nothing by the wrong one. */
export const refrigerantFound: FindingKind = {
  type: 'finding',
  id: 'refrigerant-found',
  title: 'Refrigerant as found',
  component: 'refrigerant-circuit',
  plateLine: ({ plate }) => plate.refrigerant ?? 'none on the plate',
  movedBy: ['whoever charged it'],
  methods: [
    {
      id: 'seen',
      title: 'label, caps or analyzer',
      stops: ['cooling', 'heating'],
      order: 95,
      optional: 'on-fault',
      points: () => ['whole'],
      usual: () => ({ found: 'refrigerant-as-plate' }),
      inputs: [{ id: 'found', type: 'choice', label: 'Refrigerant', options: choices(FOUND) }],
      evaluate: (inputs) => found(inputs.found as keyof typeof FOUND),
    },
  ],
};
