import { ratingOf } from '../../equipment/component.ts';
import type { About } from '../contract/entry.ts';
import type { NumericKind } from '../contract/kind.ts';
import { choices, found, noBasis, taken, windowLimits } from '../contract/window.ts';

function rangeOf({ component }: About): { low: number; high: number } | null {
  const section = ratingOf(component)?.sections[0];
  if (!section) return null;
  // One figure instead of a range: −0/+20 % is how start capacitors are usually made. Common practice, no source.
  return section.range ?? { low: section.microfarads, high: 1.2 * section.microfarads };
}

/** Capacitance of the start capacitor, µF, against the range printed on it. */
export const startCapacitorCapacitance: NumericKind = {
  type: 'number',
  id: 'start-capacitor-capacitance',
  title: 'Start capacitor',
  component: 'start-capacitor',
  unit: 'µF',
  plateLine: ({ component }) => component.plate.rating ?? 'no rating',
  wear: 'falls',
  movedBy: ['the bleed resistor, if it is left on'],
  methods: [
    {
      id: 'bench',
      title: 'bench, wires off',
      stops: ['off-outdoor'],
      order: 35,
      points: () => ['start'],
      inputs: [
        { id: 'microfarads', type: 'number', label: 'µF read', unit: 'µF', overLimit: true, probe: 'capacitance' },
      ],
      evaluate: (inputs) =>
        inputs.microfarads === 'OL' || inputs.microfarads === 0 ? found('open') : taken(Number(inputs.microfarads)),
      error: (value) => Math.hypot(0.5, 0.015 * value),
    },
    {
      id: 'needle-sweep',
      title: 'needle sweep',
      optional: true,
      settles: false,
      stops: ['off-outdoor'],
      order: 36,
      points: () => ['start'],
      inputs: [
        {
          id: 'finding',
          type: 'choice',
          label: 'Ohmmeter needle',
          options: choices({ 'holds-charge': 'Kicks, falls back', shorted: 'Stays over', open: 'No kick' }),
        },
      ],
      evaluate: (inputs) => found(inputs.finding as 'holds-charge' | 'shorted' | 'open'),
    },
  ],
  limits: (about) => {
    const range = rangeOf(about);
    if (!range) return noBasis('start-rating');
    const edge = 0.15 * (range.high - range.low);
    return windowLimits('start-range', { lower: range.low, upper: range.high, watchLower: range.low + edge });
  },
  plausible: (about) => {
    const range = rangeOf(about);
    return range ? { low: 0.3 * range.low, high: 1.5 * range.high } : { low: 10, high: 1000 };
  },
  driftPrior: { meanShare: -0.005, sdShare: 0.015 },
};
