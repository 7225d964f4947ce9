import type { FindingKind } from '../contract/kind.ts';
import { choices, found } from '../contract/window.ts';
import type { Finding } from '../../verdict/findings.ts';

const FELT = {
  'suction-cold': 'Cold, sweating',
  'suction-not-cold': 'Not getting cold',
  'suction-frosted': 'Frosted',
} as const satisfies Partial<Record<Finding, string>>;

/** The suction line by hand and eye while it cools: a quick look before any gauge goes on. */
export const suctionLine: FindingKind = {
  type: 'finding',
  id: 'suction-line',
  title: 'Suction line',
  component: 'refrigerant-circuit',
  plateLine: () => 'by hand, after ten minutes of cooling',
  movedBy: ['how long it has run', 'how humid the air is'],
  methods: [
    {
      id: 'felt',
      title: 'by hand, cooling',
      stops: ['cooling'],
      order: 96,
      optional: 'on-fault',
      points: () => ['whole'],
      usual: () => ({ felt: 'suction-cold' }),
      inputs: [{ id: 'felt', type: 'choice', label: 'Suction line', options: choices(FELT) }],
      evaluate: (inputs) => found(inputs.felt as keyof typeof FELT),
    },
  ],
};
