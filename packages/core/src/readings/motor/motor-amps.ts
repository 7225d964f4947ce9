import type { Point } from '../../equipment/component.ts';
import type { Judgment } from '../../verdict/judgment.ts';
import type { Policy } from '../../verdict/policy.ts';
import type { Evaluated, Inputs, Method, StopId, Where } from '../contract/entry.ts';
import type { Departure } from '../contract/kind.ts';
import type { Limits } from '../../verdict/limits.ts';

/** The value of a method that reads amps with one clamp: the reading itself, A. */
export const clampAmps = (inputs: Inputs): Evaluated => ({
  outcome: 'taken',
  value: Number(inputs.amps),
  findings: [],
  questions: [],
});

/** The clamp method of a motor, at the first of the given stops. `errorShare` is the relative standard error. */
export function clampMethod(
  stops: readonly StopId[],
  order: number,
  errorShare: number,
  points: (where: Where) => readonly Point[],
): Method {
  return {
    id: 'clamp',
    title: 'clamp',
    stops,
    order,
    points,
    inputs: [{ id: 'amps', type: 'number', label: 'Amps', unit: 'A', overLimit: false, probe: 'clamp' }],
    evaluate: clampAmps,
    error: (value) => Math.hypot(0.03, errorShare * value),
  };
}

/** Limits of a motor from its rated amps, A: watched from the policy's share on, past above the rating itself. */
export function ratedLoadLimits(rated: number, figure: 'RLA' | 'FLA', derived: boolean, policy: Policy): Limits {
  return {
    known: true,
    family: 'rated-load',
    nominal: rated,
    lower: null,
    upper: rated,
    watchLower: null,
    watchUpper: policy.amps.watchFrom * rated,
    figure,
    derived,
  };
}

/** Judges a motor's amps against its own baseline: watched once they are farther off, either way, than the policy allows. */
export function judgeMotorBaseline(departure: Departure, policy: Policy): Judgment {
  const off = Math.abs(departure.offPercent) > policy.amps.baselinePercent;
  return {
    basis: 'baseline',
    standing: off ? 'watch' : 'sound',
    limit: departure.baseline * (1 + (Math.sign(departure.offPercent) * policy.amps.baselinePercent) / 100),
    because: { code: off ? 'off-baseline' : 'as-it-was', numbers: departure },
  };
}
