import type { NumericKind } from '../contract/kind.ts';
import { found, taken, unworn, windowLimits } from '../contract/window.ts';
import { contactsOf } from './sequencer-contact.ts';
import { judgeContactOrder } from './sequencer-order.ts';

/** Its heater has to cool first: a contact that opens sooner has no delay left, s. Common practice, no source. */
const LEAST_SECONDS = 3;

/** Seconds from the end of the call until each sequencer contact opens: in 30 to 90 s, the last one first (common practice, no source). */
export const sequencerOpeningTime: NumericKind = {
  type: 'number',
  id: 'sequencer-opening-time',
  title: 'Sequencer opening time',
  component: 'sequencer',
  unit: 's',
  plateLine: () => 'usual 30 to 90 s, last one first; OL if it never opens',
  ...unworn,
  movedBy: ['how warm the cabinet is'],
  methods: [
    {
      id: 'stopwatch',
      title: 'stopwatch from the end of the call',
      stops: ['electric-heat'],
      // After everything that needs the heat on.
      order: 95,
      optional: 'on-fault',
      points: contactsOf,
      inputs: [{ id: 'seconds', type: 'number', label: 'Seconds', unit: 's', overLimit: true }],
      evaluate: ({ seconds }) => {
        if (seconds === 'OL') return found('never-opened');
        return Number(seconds) < LEAST_SECONDS ? found('opened-at-once') : taken(Number(seconds));
      },
      error: () => 6,
    },
  ],
  limits: (_about, { electricHeat }) =>
    windowLimits('opening-time', {
      nominal: 60,
      upper: 1.5 * electricHeat.openingSeconds,
      watchUpper: electricHeat.openingSeconds,
    }),
  // A stuck one may well take ten minutes: that is told, not taken for a slip of the decimal point.
  plausible: () => ({ low: 1, high: 1800 }),
  acrossPoints: (seconds) => judgeContactOrder(seconds, 'opening'),
};
