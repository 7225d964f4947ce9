export type RlaFromPlate =
  | { readonly outcome: 'value'; /** Derived rated load amps, A. */ readonly rla: number }
  | {
      readonly outcome: 'cannot-say';
      readonly because: 'mca-missing' | 'fan-fla-missing' | 'mca-not-above-fan';
    };

/** NEC article 440: the branch circuit carries 125 % of the compressor's rated load plus the other loads. */
const COMPRESSOR_FACTOR = 1.25;

/** No outdoor fan of a residential unit draws more, A. Common practice, no source. */
export const LARGEST_FAN_A = 3.5;

/**
 * The span a compressor's rated load amps must lie in when the fan's share of the minimum circuit ampacity is not known, A:
 * from (MCA − the largest plausible fan) / 1.25 to MCA / 1.25 (NEC article 440, rearranged). Null without a usable MCA.
 * compressorRlaSpan(26) is { low: 18, high: 20.8 }.
 */
export function compressorRlaSpan(mca: number | undefined): { low: number; high: number } | null {
  if (mca === undefined || !Number.isFinite(mca) || mca <= LARGEST_FAN_A) return null;
  return { low: (mca - LARGEST_FAN_A) / COMPRESSOR_FACTOR, high: mca / COMPRESSOR_FACTOR };
}

/**
 * The compressor's rated load amps when only the circuit's minimum ampacity can be read. Rearranged from
 * MCA = 1.25 × RLA + other loads (NEC article 440): RLA ≈ (MCA − fan FLA) / 1.25. All in A.
 * Cannot be said without MCA or fan FLA, or when they contradict each other; the breaker size is never used.
 * compressorRlaFromPlate({ mca: 26.1, fanFla: 1.2 }) is 19.92 A.
 */
export function compressorRlaFromPlate(plate: {
  mca?: number | null | undefined;
  fanFla?: number | null | undefined;
}): RlaFromPlate {
  const { mca, fanFla } = plate;
  if (mca === null || mca === undefined || !Number.isFinite(mca))
    return { outcome: 'cannot-say', because: 'mca-missing' };
  if (fanFla === null || fanFla === undefined || !Number.isFinite(fanFla)) {
    return { outcome: 'cannot-say', because: 'fan-fla-missing' };
  }
  if (fanFla < 0 || mca <= fanFla) return { outcome: 'cannot-say', because: 'mca-not-above-fan' };
  return { outcome: 'value', rla: (mca - fanFla) / COMPRESSOR_FACTOR };
}
