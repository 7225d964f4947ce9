/**
 * Usual curves of the trade's thermistors, by the name they are sold under: ohms at 77 °F and beta, K, over 32 to 122 °F.
 * Betas of types 2 and 3 are made from their tables' ends (10 kΩ: 32 650 and 3602 Ω, 29 490 and 3893 Ω). From memory.
 */
export const SENSOR_CURVES = {
  '10k-type-2': { name: '10 kΩ, type 2', r25: 10_000, beta: 3892 },
  '10k-type-3': { name: '10 kΩ, type 3', r25: 10_000, beta: 3575 },
  '10k-3435': { name: '10 kΩ, beta 3435', r25: 10_000, beta: 3435 },
  '5k-type-2': { name: '5 kΩ, type 2', r25: 5000, beta: 3892 },
} as const;
export type SensorCurve = keyof typeof SENSOR_CURVES;
export const SENSOR_CURVE_IDS = Object.keys(SENSOR_CURVES) as [SensorCurve, ...SensorCurve[]];
