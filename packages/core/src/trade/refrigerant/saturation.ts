import { celsiusOf, fahrenheitOf } from '../../quantity/convert.ts';
import { airPressureAt, KPA_A_PSI } from '../air/standard-atmosphere.ts';
import { REFRIGERANTS, type SaturationCurve, type Term } from './refrigerants.ts';

/** Which curve: the bubble point for subcooling, the dew point for superheat. Mixing them up is the usual mistake. */
export type Side = 'bubble' | 'dew';

export interface CannotSaturate {
  readonly outcome: 'cannot-say';
  readonly because: 'unknown-refrigerant' | 'not-a-number' | 'above-critical' | 'below-range';
}

export type SaturationPressure = { readonly outcome: 'value'; readonly psig: number } | CannotSaturate;
export type SaturationTemperature = { readonly outcome: 'value'; readonly fahrenheit: number } | CannotSaturate;

const ZERO_CELSIUS = 273.15;
/** Far below anything met in the field the curves are not trusted, as a share of the critical temperature. */
const LOWEST_SHARE = 0.5;

const termsOf = (curve: SaturationCurve, side: Side): readonly Term[] => (side === 'bubble' ? curve.bubble : curve.dew);

function kpaAt(curve: SaturationCurve, side: Side, kelvin: number): number {
  const theta = 1 - kelvin / curve.criticalKelvin;
  const sum = termsOf(curve, side).reduce((total, [n, k]) => total + n * theta ** k, 0);
  return curve.criticalKpa * Math.exp((curve.criticalKelvin / kelvin) * sum);
}

const cannot = (because: CannotSaturate['because']): CannotSaturate => ({ outcome: 'cannot-say', because });

/**
 * Gauge pressure at which a refrigerant boils (bubble) or condenses (dew) at a temperature: °F in, psig out. The gauge
 * reads against the air at `altitudeFt`, ft (sea level when left out). Cannot be said for a refrigerant that is not
 * known, at or above the critical temperature, or below half of it (in K).
 * saturationPressure({ refrigerant: 'R-22', fahrenheit: 40, side: 'dew' }) is 68.6 psig.
 */
export function saturationPressure(asked: {
  refrigerant: string;
  fahrenheit: number;
  side: Side;
  altitudeFt?: number | undefined;
}): SaturationPressure {
  const curve = REFRIGERANTS[asked.refrigerant];
  if (!curve) return cannot('unknown-refrigerant');
  if (!Number.isFinite(asked.fahrenheit)) return cannot('not-a-number');
  const kelvin = celsiusOf(asked.fahrenheit) + ZERO_CELSIUS;
  if (kelvin >= curve.criticalKelvin) return cannot('above-critical');
  if (kelvin < LOWEST_SHARE * curve.criticalKelvin) return cannot('below-range');
  const absolute = kpaAt(curve, asked.side, kelvin);
  return { outcome: 'value', psig: (absolute - airPressureAt(asked.altitudeFt ?? 0)) / KPA_A_PSI };
}

function kelvinAt(curve: SaturationCurve, side: Side, kpa: number): number {
  let low = LOWEST_SHARE * curve.criticalKelvin;
  let high = curve.criticalKelvin;
  // Pressure rises with temperature all along the curve: 60 halvings leave less than a billionth of a kelvin.
  for (let i = 0; i < 60; i += 1) {
    const middle = (low + high) / 2;
    if (kpaAt(curve, side, middle) < kpa) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/**
 * Temperature at which a refrigerant boils (bubble) or condenses (dew) at a gauge pressure: psig in, °F out. The gauge
 * reads against the air at `altitudeFt`, ft (sea level when left out). Cannot be said for a refrigerant that is not
 * known, at or above the critical pressure, or below the range of its curve.
 * saturationTemperature({ refrigerant: 'R-410A', psig: 118.8, side: 'bubble' }) is 40.0 °F.
 */
export function saturationTemperature(asked: {
  refrigerant: string;
  psig: number;
  side: Side;
  altitudeFt?: number | undefined;
}): SaturationTemperature {
  const curve = REFRIGERANTS[asked.refrigerant];
  if (!curve) return cannot('unknown-refrigerant');
  if (!Number.isFinite(asked.psig)) return cannot('not-a-number');
  const kpa = asked.psig * KPA_A_PSI + airPressureAt(asked.altitudeFt ?? 0);
  if (kpa >= curve.criticalKpa) return cannot('above-critical');
  if (kpa < kpaAt(curve, asked.side, LOWEST_SHARE * curve.criticalKelvin)) return cannot('below-range');
  return { outcome: 'value', fahrenheit: fahrenheitOf(kelvinAt(curve, asked.side, kpa) - ZERO_CELSIUS) };
}
