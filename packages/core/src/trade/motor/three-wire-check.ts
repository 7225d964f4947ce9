export type ThreeWireCheck =
  | {
      readonly outcome: 'agrees' | 'misses';
      /** Common amps expected from run and start, A. */
      readonly expectedCommon: number;
      /** How far the measured common is off, % of the expected one; negative when it reads low. */
      readonly offPercent: number;
    }
  | { readonly outcome: 'cannot-say'; readonly because: 'not-a-number' | 'no-run-amps' };

/** Off by more than this, a wrong wire was clamped or a capacitor or winding is off. Common practice, no source. */
export const THREE_WIRE_ALLOWANCE_PERCENT = 10;

/**
 * Checks the three wires of a single-phase compressor against each other: the start winding's current is nearly a
 * quarter cycle ahead of the run winding's, so common² ≈ run² + start² (common practice, no source). All in A.
 * Cannot be said for values that are not numbers, or with no run amps.
 * threeWireCheck({ common: 13, run: 12, start: 5 }) agrees, with 13 A expected.
 */
export function threeWireCheck(amps: { common: number; run: number; start: number }): ThreeWireCheck {
  const { common, run, start } = amps;
  if (![common, run, start].every((a) => Number.isFinite(a) && a >= 0))
    return { outcome: 'cannot-say', because: 'not-a-number' };
  if (run === 0) return { outcome: 'cannot-say', because: 'no-run-amps' };
  const expectedCommon = Math.hypot(run, start);
  const offPercent = (100 * (common - expectedCommon)) / expectedCommon;
  return {
    outcome: Math.abs(offPercent) <= THREE_WIRE_ALLOWANCE_PERCENT ? 'agrees' : 'misses',
    expectedCommon,
    offPercent,
  };
}
