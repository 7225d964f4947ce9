/** What should be seen in a forced defrost, in order. */
export const DEFROST_EVENTS = ['valve-shifts', 'outdoor-fan-stops', 'compressor-runs', 'auxiliary-heat-on'] as const;
/** A coil must be colder than this before a forced defrost tells anything, °F. Common practice, no source. */
export const COLD_COIL_F = 35;
export type DefrostEvent = (typeof DEFROST_EVENTS)[number];
export type FrostLeft = 'none' | 'bands' | 'block';
export type DefrostEnd = 'temperature' | 'time-limit' | 'by-hand';

export interface DefrostRun {
  /** Coil when it began and when it ended, °F. */
  readonly startCoilF: number;
  readonly endCoilF: number;
  /** How long it took, s. */
  readonly seconds: number;
  readonly endedBy: DefrostEnd;
  readonly frostLeft: FrostLeft;
  readonly seen: readonly DefrostEvent[];
  /** Coil temperature at which the board should end it, °F, when known. */
  readonly terminationF?: number | undefined;
  /** Whether there is auxiliary heat to come on. */
  readonly hasAuxiliary: boolean;
  /** Events that could not be seen: the fan's lead was pulled, the heat's wire lifted. */
  readonly unseeable?: readonly DefrostEvent[] | undefined;
}

export type DefrostFault =
  | 'coil-too-warm-to-test'
  | 'test-not-started'
  | 'ended-by-hand'
  | 'defrost-too-short'
  | 'valve-did-not-shift'
  | 'fan-kept-running'
  | 'compressor-stopped'
  | 'no-auxiliary-heat'
  | 'ended-by-limit'
  | 'ended-early'
  | 'frost-in-bands'
  | 'frost-at-limit'
  | 'frost-as-block';

export interface DefrostVerdict {
  /** Empty when the defrost did what it should. */
  readonly faults: readonly DefrostFault[];
  /** False where time and frost prove nothing: the coil was too warm, or it was cut short. */
  readonly counts: boolean;
}

/** Coil temperature above which a forced defrost proves nothing, °F. Common practice, no source. */
export const COLD_ENOUGH_F = 35;
/** No coil below 35 °F warms to where a board ends in less, s. Common practice, no source. */
const SHORTEST_S = 30;
/** How far below its termination setting a board may end, °F. Common practice, no source. */
const EARLY_BY_F = 12;

const MISSING: Readonly<Record<DefrostEvent, DefrostFault>> = {
  'valve-shifts': 'valve-did-not-shift',
  'outdoor-fan-stops': 'fan-kept-running',
  'compressor-runs': 'compressor-stopped',
  'auxiliary-heat-on': 'no-auxiliary-heat',
};

/**
 * Judges a forced defrost from what was seen and timed: °F and s in. Expected are valve, fan, compressor and auxiliary heat
 * in that order, a coil that clears all over, and an end by temperature; common practice, no source. With the coil above
 * 35 °F at the start, or cut short by hand or in seconds, neither time nor frost count. A test in which nothing happened was not started: that is no fault of
 * three parts. What could not be seen is not held against anything.
 */
export function defrostTest(run: DefrostRun): DefrostVerdict {
  const judgeable = DEFROST_EVENTS.filter(
    (event) => !run.unseeable?.includes(event) && (event !== 'auxiliary-heat-on' || run.hasAuxiliary),
  );
  // What shows that a defrost began at all; a compressor that runs shows nothing.
  const began = judgeable.filter((event) => event !== 'compressor-runs');
  if (began.length > 0 && !began.some((event) => run.seen.includes(event)))
    return { faults: ['test-not-started'], counts: false };
  const missing = judgeable.filter((event) => !run.seen.includes(event)).map((event) => MISSING[event]);
  // A warm coil proves nothing of frost and time; what was seen to shift and stop still counts.
  if (run.startCoilF > COLD_ENOUGH_F) return { faults: [...missing, 'coil-too-warm-to-test'], counts: false };
  // Cut short, it has had no time to clear.
  if (run.endedBy === 'by-hand') return { faults: [...missing, 'ended-by-hand'], counts: false };
  if (run.seconds < SHORTEST_S) return { faults: [...missing, 'defrost-too-short'], counts: false };
  const early =
    run.endedBy === 'temperature' && run.terminationF !== undefined && run.endCoilF < run.terminationF - EARLY_BY_F;
  const faults: (DefrostFault | false)[] = [
    run.frostLeft === 'block' && 'frost-as-block',
    ...missing,
    // What is left when the time is up is no matter of where it ends.
    run.frostLeft === 'bands' && (run.endedBy === 'time-limit' ? 'frost-at-limit' : 'frost-in-bands'),
    run.endedBy === 'time-limit' && 'ended-by-limit',
    early && 'ended-early',
  ];
  return { faults: faults.filter((f) => f !== false), counts: true };
}
