import { airPressureAt, SEA_LEVEL_KPA } from './standard-atmosphere.ts';

export type Airflow =
  | { readonly outcome: 'value'; readonly cfm: number }
  | { readonly outcome: 'cannot-say'; readonly because: 'not-above-zero' };

/** Btu/h in a kW. */
const BTUH_A_KW = 3412;
/** Btu/h that one CFM of standard air takes up a °F: 60 min/h × 0.075 lb/ft³ × 0.24 Btu/(lb °F). ASHRAE Handbook Fundamentals. */
const SENSIBLE_FACTOR = 1.08;

/**
 * Airflow from the temperature rise over electric heat, CFM: kW × 3412 / (1.08 × rise), the blower's own watts added and
 * the factor scaled by air density at the altitude. kW (measured, not rated), W, °F and ft in.
 * Cannot be said unless power and rise are above zero. 10 kW and 30 °F at sea level are 1053 CFM.
 */
export function airflowFromElectricHeat(heat: {
  kilowatts: number;
  riseF: number;
  blowerWatts?: number | undefined;
  altitudeFt?: number | undefined;
}): Airflow {
  const kilowatts = heat.kilowatts + (heat.blowerWatts ?? 0) / 1000;
  if (![kilowatts, heat.riseF].every((v) => Number.isFinite(v) && v > 0))
    return { outcome: 'cannot-say', because: 'not-above-zero' };
  const density = airPressureAt(heat.altitudeFt ?? 0) / SEA_LEVEL_KPA;
  return { outcome: 'value', cfm: (kilowatts * BTUH_A_KW) / (SENSIBLE_FACTOR * density * heat.riseF) };
}
