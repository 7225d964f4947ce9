/** What the arithmetic gives, with what is doubtful about it. */
export type UnderLoad =
  | {
      readonly outcome: 'value';
      /** Capacitance, µF. */
      readonly microfarads: number;
      readonly warnings: readonly DoubtfulVolts[];
    }
  | { readonly outcome: 'cannot-say'; readonly because: 'no-volts' | 'not-a-number' | 'unknown-frequency' };

/** The volts are too near the line's to be those across a running capacitor. */
export interface DoubtfulVolts {
  readonly code: 'doubtful-volts';
  readonly volts: number;
  readonly lineVolts: number;
  /** Least volts expected across the capacitor, V. */
  readonly expectedAtLeast: number;
}

/**
 * Across a running capacitor the voltage is normally well above the line; below this multiple of it, the meter was
 * probably on the line. Common practice, no source.
 */
export const DOUBTFUL_VOLTS_RATIO = 1.15;

/**
 * Capacitance of a running capacitor from the amps in its lead and the volts across it:
 * C = 10^6 I / (2 π f V), the definition of capacitive reactance. At 60 Hz that is 2653 I/V, at 50 Hz 3183 I/V.
 * Units: amps A, volts V (across the capacitor, not the line), hertz Hz, lineVolts V; the result is in µF.
 * `lineVolts` is what the line was measured at; without it the nominal 240 V (60 Hz) or 230 V (50 Hz) is used for the
 * doubtful-volts warning. Zero amps give 0 µF (an open capacitor). Cannot be said for volts that are not above zero.
 * capacitanceUnderLoad({ amps: 5.36, volts: 370, hertz: 60 }) is 38.43 µF.
 */
export function capacitanceUnderLoad(reading: {
  amps: number;
  volts: number;
  hertz: number;
  lineVolts?: number | undefined;
}): UnderLoad {
  const { amps, volts, hertz } = reading;
  if (![amps, volts, hertz].every(Number.isFinite) || amps < 0)
    return { outcome: 'cannot-say', because: 'not-a-number' };
  if (volts <= 0) return { outcome: 'cannot-say', because: 'no-volts' };
  if (hertz <= 0) return { outcome: 'cannot-say', because: 'unknown-frequency' };
  const lineVolts = reading.lineVolts ?? (hertz === 50 ? 230 : 240);
  const expectedAtLeast = DOUBTFUL_VOLTS_RATIO * lineVolts;
  const warnings: DoubtfulVolts[] =
    volts < expectedAtLeast ? [{ code: 'doubtful-volts', volts, lineVolts, expectedAtLeast }] : [];
  return { outcome: 'value', microfarads: (1e6 * amps) / (2 * Math.PI * hertz * volts), warnings };
}
