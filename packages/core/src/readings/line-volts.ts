import { nominalVoltsOf } from '../equipment/plate.ts';
import type { ReadingKind } from './kind.ts';

/** Line volts at the unit while it runs, held against ANSI C84.1 range A and the policy's outer limits. */
export const lineVolts: ReadingKind = {
  id: 'line-volts',
  title: 'Line volts',
  component: 'supply',
  unit: 'V',
  decimals: 0,
  plateLine: ({ plate }) => (plate.volts ? `plate ${plate.volts} V` : 'plate volts not known'),
  wear: 'none',
  movedBy: ['the utility and the hour'],
  plateDecides: () => true,
  methods: [
    {
      id: 'meter',
      title: 'meter, unit running',
      stop: 'running',
      order: 10,
      points: () => ['whole'],
      inputs: [{ id: 'volts', type: 'number', label: 'Volts', unit: 'V', overLimit: false }],
      evaluate: (inputs) => ({ outcome: 'taken', value: Number(inputs.volts), finding: null, questions: [] }),
      error: (value) => Math.hypot(1, 0.01 * value),
    },
  ],
  limits: (about, policy) => {
    const nominal = nominalVoltsOf(about.plate);
    const { goodPercent, lowShare, highMultiple } = policy.lineVolts;
    return {
      known: true,
      family: 'nominal-volts',
      nominal,
      lower: lowShare * nominal,
      upper: highMultiple * nominal,
      watchLower: nominal * (1 - goodPercent / 100),
      watchUpper: nominal * (1 + goodPercent / 100),
    };
  },
  plausible: (about) => {
    const nominal = nominalVoltsOf(about.plate);
    return { low: 0.75 * nominal, high: 1.2 * nominal };
  },
  driftPrior: { meanShare: 0, sdShare: 0.01 },
};
