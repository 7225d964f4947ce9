export type HeaterFigure =
  | { readonly outcome: 'value'; readonly value: number }
  | { readonly outcome: 'cannot-say'; readonly because: 'not-above-zero' };

interface Rated {
  /** Rated power, kW, at the rated volts. */
  kilowatts: number;
  /** Rated volts, V. */
  ratedVolts: number;
}

const isAboveZero = (...values: number[]): boolean => values.every((v) => Number.isFinite(v) && v > 0);

/**
 * Resistance of a heating element, Ω: R = V²/P (Ohm's law). kW and V in. Cannot be said unless both are above zero.
 * heaterResistance({ kilowatts: 5, ratedVolts: 240 }) is 11.52.
 */
export function heaterResistance({ kilowatts, ratedVolts }: Rated): HeaterFigure {
  if (!isAboveZero(kilowatts, ratedVolts)) return { outcome: 'cannot-say', because: 'not-above-zero' };
  return { outcome: 'value', value: ratedVolts ** 2 / (kilowatts * 1000) };
}

/**
 * Amps an electric heater should draw: an element is a plain resistance, so I = V/R with R from its rating. kW and V in,
 * A out; `volts` are those measured, the rated ones when left out. Cannot be said unless all are above zero.
 * heaterAmps({ kilowatts: 10, ratedVolts: 240 }) is 41.67.
 */
export function heaterAmps(heater: Rated & { volts?: number | undefined }): HeaterFigure {
  const volts = heater.volts ?? heater.ratedVolts;
  const resistance = heaterResistance(heater);
  if (resistance.outcome === 'cannot-say' || !isAboveZero(volts))
    return { outcome: 'cannot-say', because: 'not-above-zero' };
  return { outcome: 'value', value: volts / resistance.value };
}
