import { celsiusOf, fahrenheitOf } from '../../quantity/convert.ts';

export interface ThermistorPoint {
  readonly fahrenheit: number;
  readonly ohms: number;
}

/** What is known of a thermistor: its resistance at 25 °C with its beta, or a chart typed in from the manufacturer's sheet. */
export type Thermistor =
  { readonly r25: number; readonly beta: number } | { readonly chart: readonly ThermistorPoint[] };

export type ThermistorTemperature =
  | { readonly outcome: 'value'; readonly fahrenheit: number }
  | {
      readonly outcome: 'cannot-say';
      readonly because: 'not-above-zero' | 'too-few-points' | 'not-monotone' | 'outside-the-chart';
    };

const ZERO_CELSIUS = 273.15;
const kelvinOf = (fahrenheit: number): number => celsiusOf(fahrenheit) + ZERO_CELSIUS;
const fromInverse = (inverseKelvin: number): number => fahrenheitOf(1 / inverseKelvin - ZERO_CELSIUS);
const cannot = (
  because: Extract<ThermistorTemperature, { outcome: 'cannot-say' }>['because'],
): ThermistorTemperature => ({ outcome: 'cannot-say', because });
const isAboveZero = (...values: number[]): boolean => values.every((v) => Number.isFinite(v) && v > 0);

function fromChart(ohms: number, chart: readonly ThermistorPoint[]): ThermistorTemperature {
  if (chart.length < 2) return cannot('too-few-points');
  if (!isAboveZero(...chart.map((p) => p.ohms))) return cannot('not-above-zero');
  const inOrder = [...chart].sort((a, b) => a.fahrenheit - b.fahrenheit);
  if (inOrder.some((p, i) => i > 0 && p.ohms >= (inOrder[i - 1]?.ohms ?? Infinity))) return cannot('not-monotone');
  const at = inOrder.findIndex((p) => p.ohms <= ohms);
  const warm = inOrder[at];
  const cold = inOrder[at - 1];
  if (warm?.ohms === ohms) return { outcome: 'value', fahrenheit: warm.fahrenheit };
  if (!warm || !cold) return cannot('outside-the-chart');
  // A thermistor's ln R is nearly straight over 1/T, so a coarse chart is read finely along that line.
  const share = Math.log(ohms / cold.ohms) / Math.log(warm.ohms / cold.ohms);
  const inverse =
    1 / kelvinOf(cold.fahrenheit) + share * (1 / kelvinOf(warm.fahrenheit) - 1 / kelvinOf(cold.fahrenheit));
  return { outcome: 'value', fahrenheit: fromInverse(inverse) };
}

/**
 * Temperature of a thermistor from its resistance: Ω in, °F out. By R25 and beta: 1/T = 1/298.15 + ln(R/R25)/β (T in K),
 * the definition of beta; by chart: ln R interpolated over 1/T, never beyond the chart. Cannot be said for resistances
 * that are not above zero, or a chart that does not fall with temperature.
 * thermistorTemperature(10000, { r25: 10000, beta: 3950 }) is 77 °F.
 */
export function thermistorTemperature(ohms: number, thermistor: Thermistor): ThermistorTemperature {
  if (!isAboveZero(ohms)) return cannot('not-above-zero');
  if ('chart' in thermistor) return fromChart(ohms, thermistor.chart);
  const { r25, beta } = thermistor;
  if (!isAboveZero(r25, beta)) return cannot('not-above-zero');
  const inverse = 1 / (25 + ZERO_CELSIUS) + Math.log(ohms / r25) / beta;
  return inverse > 0 ? { outcome: 'value', fahrenheit: fromInverse(inverse) } : cannot('outside-the-chart');
}
