/** Ohms between the terminals of a single-phase compressor. */
export interface TerminalOhms {
  readonly commonToRun: number;
  readonly commonToStart: number;
  readonly runToStart: number;
}

/** Meters and leads add some tenths; windings that differ by more are misread or shorted. Common practice, no source. */
const ALLOWANCE_SHARE = 0.1;
const ALLOWANCE_OHMS = 0.3;

/**
 * Checks a compressor's terminals against one another: run and start winding are in series between R and S, so that
 * R to S is the sum of both to C (Ohm's law). All in Ω; tells what R to S should read.
 * checkTerminals({ commonToRun: 0.8, commonToStart: 2.4, runToStart: 3.2 }) agrees.
 */
export function checkTerminals({ commonToRun, commonToStart, runToStart }: TerminalOhms): {
  agrees: boolean;
  expected: number;
} {
  const expected = commonToRun + commonToStart;
  const allowed = Math.max(ALLOWANCE_OHMS, ALLOWANCE_SHARE * expected);
  return { agrees: Math.abs(runToStart - expected) <= allowed, expected };
}
