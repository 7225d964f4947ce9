import { celsiusOf } from '../../quantity/convert.ts';

const ZERO_CELSIUS = 273.15;
const FAHRENHEIT_A_KELVIN = 1.8;

/**
 * How far two like thermistors in the same air lie apart, °F: positive where the second reads warmer. From the definition
 * of beta, ΔT ≈ ln(R1/R2)·T²/β, with T the air's in K; ohms in Ω, the air in °F.
 * sensorsApart(11000, 10000, { beta: 3950, airF: 77 }) is about 3.9 °F.
 */
export function sensorsApart(first: number, second: number, { beta, airF }: { beta: number; airF: number }): number {
  const kelvin = celsiusOf(airF) + ZERO_CELSIUS;
  return ((Math.log(first / second) * kelvin * kelvin) / beta) * FAHRENHEIT_A_KELVIN;
}
