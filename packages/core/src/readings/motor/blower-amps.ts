import type { About } from '../contract/entry.ts';
import type { Departure, NumericKind } from '../contract/kind.ts';
import { clampMethod, judgeMotorBaseline, ratedLoadLimits } from './motor-amps.ts';
import type { Policy } from '../../verdict/policy.ts';

/** A PSC blower unloads when its air is blocked, a constant-airflow ECM works harder: the sign of blocked air differs. */
function judgeBlowerBaseline(departure: Departure, about: About, policy: Policy) {
  const motor = about.plate.blowerMotor;
  const judged = judgeMotorBaseline(departure, policy);
  const blocked = (motor === 'psc' && departure.offPercent < 0) || (motor === 'ecm' && departure.offPercent > 0);
  if (judged.standing === 'sound' || !blocked || !motor) return judged;
  return { ...judged, because: { code: 'blocked-air' as const, numbers: { ...departure, motor } } };
}

/** Blower amps, held against FLA and, more telling, against this blower's own baseline. */
export const blowerAmps: NumericKind = {
  type: 'number',
  id: 'blower-amps',
  title: 'Blower amps',
  component: 'blower',
  unit: 'A',
  plateLine: ({ plate }) => {
    const fla = plate.blowerFla === undefined ? 'no FLA' : `FLA ${plate.blowerFla} A`;
    return plate.blowerMotor ? `${plate.blowerMotor.toUpperCase()} ${fla}` : fla;
  },
  byCall: true,
  wear: 'rises',
  movedBy: ['filter and duct: how freely the air moves', 'speed tap', 'line volts'],
  baselineDecides: () => true,
  methods: [clampMethod(['electric-heat', 'gas-heat', 'cooling-air', 'fan-only'], 50, 0.04, () => ['whole'])],
  limits: (about, policy) =>
    about.plate.blowerFla === undefined
      ? { known: false, because: { code: 'fla-unknown', numbers: { part: 'blower' } } }
      : ratedLoadLimits(about.plate.blowerFla, 'FLA', false, policy),
  plausible: (about) => {
    const fla = about.plate.blowerFla;
    return fla === undefined ? { low: 0.3, high: 15 } : { low: 0.15 * fla, high: 2 * fla };
  },
  driftPrior: { meanShare: 0, sdShare: 0.02 },
  judgeBaseline: judgeBlowerBaseline,
};
