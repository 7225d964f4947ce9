import type { NumericKind } from '../contract/kind.ts';
import { contactsOf } from './sequencer-contact.ts';
import { found, taken, windowLimits } from '../contract/window.ts';
import { judgeContactOrder } from './sequencer-order.ts';

/** A sequencer's heater has to warm first: sooner than this it was closed before, s. Common practice, no source. */
const LEAST_SECONDS = 3;

/** Seconds from the call until each sequencer contact closes: one after the other in 30 to 90 s (common practice, no source). */
export const sequencerClosingTime: NumericKind = {
  type: 'number',
  id: 'sequencer-closing-time',
  title: 'Sequencer closing time',
  component: 'sequencer',
  unit: 's',
  plateLine: () => 'usual 30 to 90 s; OL if it never closes',
  wear: 'rises',
  movedBy: ['volts at its coil', 'how cold the cabinet is'],
  methods: [
    {
      id: 'stopwatch',
      title: 'stopwatch from the call',
      stops: ['electric-heat'],
      order: 15,
      points: contactsOf,
      inputs: [{ id: 'seconds', type: 'number', label: 'Seconds', unit: 's', overLimit: true }],
      evaluate: (inputs) => {
        if (inputs.seconds === 'OL') return found('never-closed');
        return Number(inputs.seconds) < LEAST_SECONDS ? found('closed-at-once') : taken(Number(inputs.seconds));
      },
      error: () => 6,
    },
  ],
  limits: (_about, { electricHeat }) =>
    windowLimits('closing-time', {
      nominal: 45,
      upper: 1.5 * electricHeat.closingSeconds,
      watchUpper: electricHeat.closingSeconds,
    }),
  // A stuck one may well take ten minutes: that is told, not taken for a slip of the decimal point.
  plausible: () => ({ low: 1, high: 1800 }),
  driftPrior: { meanShare: 0.01, sdShare: 0.05 },
  acrossPoints: (seconds) => judgeContactOrder(seconds, 'closing'),
};
