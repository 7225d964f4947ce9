import type { NumericKind } from '../contract/kind.ts';
import { found, taken, unworn, windowLimits } from '../contract/window.ts';

/** Longest usual delay, and from where on it holds too long, s. Common practice, no source. */
const USUAL_SECONDS = 120;
const MOST_SECONDS = 240;

/** Seconds the blower runs on once the call has ended: by board or relay, often 30 to 90 s (common practice, no source). */
export const blowerOffDelay: NumericKind = {
  type: 'number',
  id: 'blower-off-delay',
  title: 'Blower off-delay',
  component: 'blower',
  unit: 's',
  plateLine: () => 'usual up to 120 s; OL if it never stops',
  ...unworn,
  movedBy: ['the board’s setting', 'a fan switch left on'],
  methods: [
    {
      id: 'stopwatch',
      title: 'stopwatch from the end of the call',
      stops: ['calls'],
      order: 85,
      optional: 'on-fault',
      points: () => ['whole'],
      inputs: [{ id: 'seconds', type: 'number', label: 'Seconds', unit: 's', overLimit: true }],
      evaluate: ({ seconds }) => (seconds === 'OL' ? found('blower-never-stops') : taken(Number(seconds))),
      error: () => 3,
    },
  ],
  limits: () => windowLimits('off-delay', { nominal: 60, upper: MOST_SECONDS, watchUpper: USUAL_SECONDS }),
  plausible: () => ({ low: 0, high: 900 }),
};
