import type { ComponentKind } from '../equipment/component.ts';
import type { ReadingKindId } from '../readings/contract/kind-ids.ts';
import { severityOf, type Standing } from '../verdict/standing.ts';

/**
 * What a part's replacement can move, besides readings of the new part itself: what is read again to prove it. Common
 * practice, no source.
 */
export const REPLACED_MOVES: Readonly<Partial<Record<ComponentKind, readonly ReadingKindId[]>>> = {
  transformer: ['control-volts', 'call-check'],
  'control-fuse': ['control-volts', 'call-check'],
  thermostat: ['call-check', 'room-temperature'],
  compressor: ['compressor-amps', 'superheat', 'subcooling', 'temperature-split', 'heating-pressure'],
  'run-capacitor': ['compressor-amps', 'outdoor-fan-amps', 'blower-amps', 'call-check'],
  'start-capacitor': ['call-check'],
  'outdoor-fan': ['outdoor-fan-amps', 'compressor-amps', 'subcooling', 'heating-pressure'],
  contactor: ['contact-drop', 'compressor-amps', 'call-check'],
  'pressure-switch': ['call-check'],
  'defrost-board': ['defrost-duration', 'defrost-chain', 'fan-bypass', 'call-check'],
  'temperature-sensor': ['defrost-duration'],
  blower: ['blower-amps', 'airflow', 'temperature-split', 'heat-rise', 'gas-rise', 'call-check'],
  'blower-relay': ['call-check', 'blower-off-delay'],
  'electric-heat': ['heater-amps', 'strips-in-cooling', 'heat-rise'],
  sequencer: ['strips-in-cooling', 'heater-amps', 'temperature-split', 'call-check'],
  'heat-relay': ['strips-in-cooling', 'heater-amps', 'temperature-split', 'call-check'],
};

/** How far a repair is proved. */
export type ProofVerdict = 'proved' | 'better' | 'not-the-cause' | 'owed';

/** One reading of a thread as it is held against another of the same visit. */
export interface Paired {
  /** In the kind's unit; null for findings. */
  readonly value: number | null;
  /** Standard deviation of the meter, same unit. */
  readonly error: number;
  readonly standing: Standing;
}

export interface PairVerdict {
  readonly verdict: ProofVerdict;
  /** After less before, and its standard deviation, kind's unit; null without both. */
  readonly difference: number | null;
  readonly error: number | null;
}

/** A difference of so many standard deviations is one. */
const TELLS_FROM = 2;

/** Whether a value went the way that wear does not. */
const wentBack = (difference: number, wear: 'falls' | 'rises' | 'either' | 'none'): boolean =>
  wear === 'rises' ? difference < 0 : wear === 'falls' ? difference > 0 : false;

/**
 * Holds the reading after a repair against the one before it, which was not sound: proved when it moved by more than its
 * error and is sound now; better when it stands better, or went the right way; else the repair was not its cause.
 */
export function provePair(
  before: Paired,
  after: Paired | null,
  wear: 'falls' | 'rises' | 'either' | 'none' = 'none',
): PairVerdict {
  if (!after) return { verdict: 'owed', difference: null, error: null };
  const isBetter = severityOf(after.standing) < severityOf(before.standing);
  if (before.value === null || after.value === null) {
    const verdict = after.standing === 'sound' ? 'proved' : isBetter ? 'better' : 'not-the-cause';
    return { verdict, difference: null, error: null };
  }
  const difference = after.value - before.value;
  const error = Math.hypot(before.error, after.error);
  const moved = Math.abs(difference) > TELLS_FROM * error;
  const verdict =
    moved && after.standing === 'sound'
      ? 'proved'
      : isBetter || (moved && wentBack(difference, wear))
        ? 'better'
        : 'not-the-cause';
  return { verdict, difference, error };
}

/** What several readings say of one repair: owed while one has not been read again; null when there was nothing to prove. */
export function proveAll(verdicts: readonly ProofVerdict[]): ProofVerdict | null {
  if (verdicts.length === 0) return null;
  if (verdicts.includes('owed')) return 'owed';
  if (verdicts.every((v) => v === 'proved')) return 'proved';
  return verdicts.every((v) => v === 'not-the-cause') ? 'not-the-cause' : 'better';
}
