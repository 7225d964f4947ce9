// eslint-disable-next-line @typescript-eslint/triple-slash-reference -- the package has no types; every program that reads this file needs them
/// <reference path="./psychrolib.d.ts" />
import psychrolib from 'psychrolib';
import { airPressureAt, KPA_A_PSI } from './standard-atmosphere.ts';

// The library's unit system is one global: it is set here, once, and nobody else imports it.
psychrolib.SetUnitSystem(psychrolib.IP);

/** Air by what a psychrometer shows: dry bulb °F, and either wet bulb °F or relative humidity %. */
export type AirReading = { readonly dryBulbF: number } & (
  { readonly wetBulbF: number } | { readonly relativeHumidity: number }
);

export type MoistAir =
  | {
      readonly outcome: 'value';
      readonly wetBulbF: number;
      /** % */
      readonly relativeHumidity: number;
      /** Water a pound of dry air, lb/lb. */
      readonly humidityRatio: number;
      /** Btu a pound of dry air, from 0 °F. */
      readonly enthalpy: number;
    }
  | { readonly outcome: 'cannot-say'; readonly because: 'not-a-number' | 'wet-bulb-above-dry-bulb' | 'out-of-range' };

const LOWEST_F = -40;
const HIGHEST_F = 200;

/**
 * The state of moist air, by the equations of the ASHRAE Handbook Fundamentals, Psychrometrics, as PsychroLib has them.
 * °F, % and ft in. Cannot be said when the wet bulb is above the dry bulb or a figure is out of −40 to 200 °F, 0 to 100 %.
 * 80 °F with 67 °F wet bulb at sea level has 51 % and 31.4 Btu/lb.
 */
export function moistAir(air: AirReading, altitudeFt = 0): MoistAir {
  const { dryBulbF } = air;
  const other = 'wetBulbF' in air ? air.wetBulbF : air.relativeHumidity;
  if (![dryBulbF, other, altitudeFt].every(Number.isFinite)) return { outcome: 'cannot-say', because: 'not-a-number' };
  if ('wetBulbF' in air && air.wetBulbF > dryBulbF)
    return { outcome: 'cannot-say', because: 'wet-bulb-above-dry-bulb' };
  const low = 'wetBulbF' in air ? LOWEST_F : 0;
  const high = 'wetBulbF' in air ? HIGHEST_F : 100;
  if (dryBulbF < LOWEST_F || dryBulbF > HIGHEST_F || other < low || other > high)
    return { outcome: 'cannot-say', because: 'out-of-range' };
  const psi = airPressureAt(altitudeFt) / KPA_A_PSI;
  const ratio =
    'wetBulbF' in air
      ? psychrolib.GetHumRatioFromTWetBulb(dryBulbF, air.wetBulbF, psi)
      : psychrolib.GetHumRatioFromRelHum(dryBulbF, air.relativeHumidity / 100, psi);
  return {
    outcome: 'value',
    wetBulbF: 'wetBulbF' in air ? air.wetBulbF : psychrolib.GetTWetBulbFromHumRatio(dryBulbF, ratio, psi),
    relativeHumidity: 100 * psychrolib.GetRelHumFromHumRatio(dryBulbF, ratio, psi),
    humidityRatio: ratio,
    enthalpy: psychrolib.GetMoistAirEnthalpy(dryBulbF, ratio),
  };
}
