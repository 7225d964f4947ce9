/** Btu/h in a watt. International table Btu; NIST SP 811 gives 1 W = 3.412 142 Btu/h. */
const BTUH_A_WATT = 3.412;
/** Btu/h in a ton of refrigeration. */
const BTUH_A_TON = 12_000;

export interface HeatAdded {
  /** Btu/h. */
  readonly btuh: number;
  /** Share of the machine's nominal cooling, 0 upward; null without its tons. */
  readonly ofCooling: number | null;
}

/**
 * What a heater that should be off adds to the air being cooled: volts × amps × 3.412 Btu/h, and its share of the nominal
 * cooling (tons × 12 000). Null for figures that are not numbers or below zero.
 * heatAdded({ volts: 240, amps: 20.83, tons: 2.5 }) is 17 060 Btu/h, 57 % of it.
 */
export function heatAdded(asked: { volts: number; amps: number; tons?: number | undefined }): HeatAdded | null {
  const { volts, amps, tons } = asked;
  if (!(volts >= 0 && amps >= 0 && Number.isFinite(volts * amps))) return null;
  const btuh = volts * amps * BTUH_A_WATT;
  return { btuh, ofCooling: tons !== undefined && tons > 0 ? btuh / (tons * BTUH_A_TON) : null };
}
