import { moistAir, type AirReading, type MoistAir } from './moist-air.ts';
import { airPressureAt, SEA_LEVEL_KPA } from './standard-atmosphere.ts';

export type DeliveredCapacity =
  | {
      readonly outcome: 'value';
      /** Heat taken out of the air, Btu/h; below zero when it was heated. */
      readonly total: number;
      /** The part of it that shows on a thermometer, Btu/h. */
      readonly sensible: number;
      /** Enthalpy of entering less leaving air, Btu/lb. */
      readonly enthalpyDrop: number;
    }
  | Extract<MoistAir, { outcome: 'cannot-say' }>
  | { readonly outcome: 'cannot-say'; readonly because: 'no-airflow' };

/** 60 min/h × 0.075 lb/ft³ of standard air. ASHRAE Handbook Fundamentals. */
const TOTAL_FACTOR = 4.5;
/** And times 0.24 Btu/(lb °F). */
const SENSIBLE_FACTOR = 1.08;

/**
 * Cooling delivered to the air, Btu/h: 4.5 × CFM × Δh, the factor scaled by air density at the altitude. CFM, air before
 * and after the coil (°F, %), ft in. Cannot be said without airflow or when either air cannot be.
 * 1200 CFM from 80/67 °F to 60/58 °F (dry/wet bulb) deliver 34 600 Btu/h.
 */
export function deliveredCapacity(air: {
  cfm: number;
  entering: AirReading;
  leaving: AirReading;
  altitudeFt?: number | undefined;
}): DeliveredCapacity {
  if (!(Number.isFinite(air.cfm) && air.cfm > 0)) return { outcome: 'cannot-say', because: 'no-airflow' };
  const altitude = air.altitudeFt ?? 0;
  const entering = moistAir(air.entering, altitude);
  if (entering.outcome === 'cannot-say') return entering;
  const leaving = moistAir(air.leaving, altitude);
  if (leaving.outcome === 'cannot-say') return leaving;
  const density = airPressureAt(altitude) / SEA_LEVEL_KPA;
  const enthalpyDrop = entering.enthalpy - leaving.enthalpy;
  return {
    outcome: 'value',
    total: TOTAL_FACTOR * density * air.cfm * enthalpyDrop,
    sensible: SENSIBLE_FACTOR * density * air.cfm * (air.entering.dryBulbF - air.leaving.dryBulbF),
    enthalpyDrop,
  };
}
