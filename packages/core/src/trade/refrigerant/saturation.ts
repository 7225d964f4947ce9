import { celsiusOf, fahrenheitOf } from '../../quantity/convert.ts';
import { own } from '../../quantity/own.ts';
import { airPressureAt, KPA_A_PSI, SEA_LEVEL_KPA } from '../air/standard-atmosphere.ts';
import type { PressurePoint, PressureTable, PressureTables } from './pressure-table.ts';
import { REFRIGERANTS, type SaturationCurve, type Term } from './refrigerants.ts';

/** Which curve: the bubble point for subcooling, the dew point for superheat. Mixing them up is the usual mistake. */
export type Side = 'bubble' | 'dew';

export interface CannotSaturate {
  readonly outcome: 'cannot-say';
  readonly because: 'unknown-refrigerant' | 'not-a-number' | 'above-critical' | 'below-range' | 'outside-the-table';
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

const kelvinOf = (fahrenheit: number): number => celsiusOf(fahrenheit) + ZERO_CELSIUS;
const SEA_LEVEL_PSI = SEA_LEVEL_KPA / KPA_A_PSI;

/** A table's points as straight lines: ln of absolute psi over 1/K. */
const linesOf = (table: PressureTable, side: Side) =>
  table.points.map((p: PressurePoint) => ({
    lnPsia: Math.log((side === 'bubble' ? p.bubblePsig : p.dewPsig) + SEA_LEVEL_PSI),
    inverse: 1 / kelvinOf(p.fahrenheit),
  }));

/** Reads `to` at a value of `from` between the table's points; NaN outside them. */
function along(
  points: ReturnType<typeof linesOf>,
  from: 'lnPsia' | 'inverse',
  to: 'lnPsia' | 'inverse',
  at: number,
): number {
  for (const [index, high] of points.entries()) {
    const low = points[index - 1];
    if (!low) continue;
    const share = (at - low[from]) / (high[from] - low[from]);
    // A point of the table itself must not fall between two chairs for its last binary digit.
    if (share >= -1e-9 && share <= 1 + 1e-9) return low[to] + share * (high[to] - low[to]);
  }
  return NaN;
}

/**
 * Gauge pressure at which a refrigerant boils (bubble) or condenses (dew) at a temperature: °F in, psig out. The gauge
 * reads against the air at `altitudeFt`, ft (sea level when left out). Cannot be said for a refrigerant that is not
 * known, at or above the critical temperature, or below half of it (in K). A firm's own `tables` go before the built-in
 * curves; they are read in ln p over 1/T between their points and never beyond them.
 * saturationPressure({ refrigerant: 'R-22', fahrenheit: 40, side: 'dew' }) is 68.6 psig.
 */
export function saturationPressure(asked: {
  refrigerant: string;
  fahrenheit: number;
  side: Side;
  altitudeFt?: number | undefined;
  tables?: PressureTables | undefined;
}): SaturationPressure {
  if (!Number.isFinite(asked.fahrenheit)) return cannot('not-a-number');
  const table = own(asked.tables ?? {}, asked.refrigerant);
  const kelvin = kelvinOf(asked.fahrenheit);
  const site = airPressureAt(asked.altitudeFt ?? 0);
  if (table) {
    const psia = Math.exp(along(linesOf(table, asked.side), 'inverse', 'lnPsia', 1 / kelvin));
    return Number.isNaN(psia) ? cannot('outside-the-table') : { outcome: 'value', psig: psia - site / KPA_A_PSI };
  }
  const curve = own(REFRIGERANTS, asked.refrigerant);
  if (!curve) return cannot('unknown-refrigerant');
  if (kelvin >= curve.criticalKelvin) return cannot('above-critical');
  if (kelvin < LOWEST_SHARE * curve.criticalKelvin) return cannot('below-range');
  return { outcome: 'value', psig: (kpaAt(curve, asked.side, kelvin) - site) / KPA_A_PSI };
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
 * known, at or above the critical pressure, or below the range of its curve; `tables` as for saturationPressure.
 * saturationTemperature({ refrigerant: 'R-410A', psig: 118.8, side: 'bubble' }) is 40.0 °F.
 */
export function saturationTemperature(asked: {
  refrigerant: string;
  psig: number;
  side: Side;
  altitudeFt?: number | undefined;
  tables?: PressureTables | undefined;
}): SaturationTemperature {
  if (!Number.isFinite(asked.psig)) return cannot('not-a-number');
  const kpa = asked.psig * KPA_A_PSI + airPressureAt(asked.altitudeFt ?? 0);
  const table = own(asked.tables ?? {}, asked.refrigerant);
  if (table) {
    const inverse = along(linesOf(table, asked.side), 'lnPsia', 'inverse', Math.log(kpa / KPA_A_PSI));
    if (Number.isNaN(inverse)) return cannot('outside-the-table');
    return { outcome: 'value', fahrenheit: fahrenheitOf(1 / inverse - ZERO_CELSIUS) };
  }
  const curve = own(REFRIGERANTS, asked.refrigerant);
  if (!curve) return cannot('unknown-refrigerant');
  if (kpa >= curve.criticalKpa) return cannot('above-critical');
  if (kpa < kpaAt(curve, asked.side, LOWEST_SHARE * curve.criticalKelvin)) return cannot('below-range');
  return { outcome: 'value', fahrenheit: fahrenheitOf(kelvinAt(curve, asked.side, kpa) - ZERO_CELSIUS) };
}
