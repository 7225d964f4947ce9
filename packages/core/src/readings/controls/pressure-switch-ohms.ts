import type { Plate } from '../../equipment/plate.ts';
import type { NumericKind } from '../contract/kind.ts';
import { found, taken, unworn, windowLimits } from '../contract/window.ts';

/** Across a closed switch, Ω: watched above the first, past above the second. Common practice, no source. */
const WATCH_OHMS = 1;
const MOST_OHMS = 5;

/** How two switches may be wired; one after the other is usual where nobody has looked. */
const IN_A_ROW: ReadonlySet<Plate['pressureSwitches']> = new Set(['high-low', 'low-high', undefined]);

/** A pressure switch by ohms with the power off and a wire of it off: closed at ordinary pressure. */
export const pressureSwitchOhms: NumericKind = {
  type: 'number',
  id: 'pressure-switch-ohms',
  title: 'ohms across',
  component: 'pressure-switch',
  unit: 'Ω',
  plateLine: () => 'closed at ordinary pressure: next to none',
  ...unworn,
  movedBy: ['the pressure itself: a flat system opens the low one'],
  methods: [
    {
      id: 'ohms',
      title: 'ohms across it, power off, a wire off',
      stops: ['off-outdoor'],
      order: 82,
      optional: 'on-fault',
      points: () => ['whole'],
      inputs: [{ id: 'ohms', type: 'number', label: 'Ohms', unit: 'Ω', overLimit: true, probe: 'ohms' }],
      evaluate: ({ ohms }) => (ohms === 'OL' ? found('switch-open-dead') : taken(Number(ohms))),
      error: () => 0.1,
    },
    {
      id: 'row',
      title: 'ohms across both in a row, power off, a wire off',
      stops: ['off-outdoor'],
      order: 83,
      optional: 'on-fault',
      // Read once, with the high one; where the plate says that there is one switch, there is no row.
      points: ({ component, plate }) =>
        component.slot === 'high-pressure-switch' && IN_A_ROW.has(plate.pressureSwitches) ? ['in-row'] : [],
      inputs: [{ id: 'ohms', type: 'number', label: 'Ohms', unit: 'Ω', overLimit: true, probe: 'ohms' }],
      evaluate: ({ ohms }) => (ohms === 'OL' ? found('switch-row-open') : taken(Number(ohms))),
      error: () => 0.1,
    },
  ],
  limits: () => windowLimits('closed-ohms', { nominal: 0, upper: MOST_OHMS, watchUpper: WATCH_OHMS }),
  plausible: () => ({ low: 0, high: 50 }),
};
