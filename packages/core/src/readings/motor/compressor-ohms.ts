import type { Point } from '../../equipment/component.ts';
import { checkTerminals } from '../../trade/motor/windings.ts';
import type { Judgment } from '../../verdict/judgment.ts';
import type { About, Evaluated, Inputs } from '../contract/entry.ts';
import type { NumericKind } from '../contract/kind.ts';
import { found, noBasis, taken, unworn } from '../contract/window.ts';

/** Less to ground than this leads there, Ω. Common practice, no source. */
const GROUNDED_BELOW = 1_000_000;
const TERMINALS: readonly Point[] = ['c-r', 'c-s', 'r-s', 'ground'];

function evaluate({ ohms }: Inputs, { point }: About): Evaluated {
  if (point === 'ground') return found(ohms !== 'OL' && Number(ohms) < GROUNDED_BELOW ? 'grounded' : 'not-grounded');
  return ohms === 'OL' ? found('winding-open') : taken(Number(ohms));
}

/** The three pairs of terminals against one another, once all of them have been read on a visit. */
function terminals(ohms: Readonly<Partial<Record<Point, number>>>): Judgment | null {
  const { 'c-r': commonToRun, 'c-s': commonToStart, 'r-s': runToStart } = ohms;
  if (commonToRun === undefined || commonToStart === undefined || runToStart === undefined) return null;
  const { agrees, expected } = checkTerminals({ commonToRun, commonToStart, runToStart });
  const numbers = { expected, value: runToStart };
  return agrees
    ? { basis: 'cross-check', standing: 'sound', limit: null, because: { code: 'windings-add-up', numbers } }
    : { basis: 'cross-check', standing: 'watch', limit: null, because: { code: 'windings-miss', numbers } };
}

/** A single-phase compressor's windings by ohms at its terminals, wires off, and any of them to ground. */
export const compressorOhms: NumericKind = {
  type: 'number',
  id: 'compressor-ohms',
  title: 'Compressor windings',
  component: 'compressor',
  unit: 'Ω',
  plateLine: ({ point }) => (point === 'ground' ? 'OL and nothing else' : 'R to S is the sum of the other two'),
  ...unworn,
  movedBy: ['temperature of the windings', 'an internal overload that is open while it is hot'],
  baselineDecides: () => true,
  methods: [
    {
      id: 'ohms',
      title: 'ohms at its terminals, wires off',
      stops: ['off-outdoor'],
      order: 80,
      // For when it does not start.
      optional: 'on-fault',
      points: ({ systemKind }) => (systemKind === 'ductless-heat-pump' ? [] : TERMINALS),
      inputs: [{ id: 'ohms', type: 'number', label: 'Ohms', unit: 'Ω', overLimit: true, probe: 'ohms' }],
      evaluate,
      error: (value) => Math.hypot(0.1, 0.02 * value),
    },
  ],
  limits: () => noBasis('no-limit'),
  plausible: ({ point }) => (point === 'ground' ? null : { low: 0.1, high: 40 }),
  acrossPoints: terminals,
};
