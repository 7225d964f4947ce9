import type { NumericKind } from '../contract/kind.ts';
import { clampMethod, judgeMotorBaseline, ratedLoadLimits } from './motor-amps.ts';

/** Outdoor fan motor amps, held against FLA and against this motor's own baseline. */
export const outdoorFanAmps: NumericKind = {
  type: 'number',
  id: 'outdoor-fan-amps',
  title: 'Outdoor fan amps',
  component: 'outdoor-fan',
  unit: 'A',
  plateLine: ({ plate }) => (plate.outdoorFanFla === undefined ? 'no FLA' : `FLA ${plate.outdoorFanFla} A`),
  bySpeed: true,
  wear: 'rises',
  movedBy: ['line volts', 'density of the outdoor air, slightly'],
  baselineDecides: () => true,
  methods: [clampMethod(['cooling', 'heating'], 40, 0.03, () => ['whole'])],
  limits: (about, policy) =>
    about.plate.outdoorFanFla === undefined
      ? { known: false, because: { code: 'fla-unknown', numbers: { part: 'outdoor fan' } } }
      : ratedLoadLimits(about.plate.outdoorFanFla, 'FLA', false, policy),
  plausible: (about) => {
    const fla = about.plate.outdoorFanFla;
    return fla === undefined ? { low: 0.2, high: 6 } : { low: 0.25 * fla, high: 2 * fla };
  },
  driftPrior: { meanShare: 0.004, sdShare: 0.015 },
  judgeBaseline: (departure, _about, policy) => judgeMotorBaseline(departure, policy),
};
