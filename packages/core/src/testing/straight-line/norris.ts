// Source: NIST Statistical Reference Datasets, linear regression, "Norris" (ozone monitors; 36 observations, y then x).
// prettier-ignore
export const NORRIS_PAIRS: readonly (readonly [y: number, x: number])[] = [
  [0.1, 0.2], [338.8, 337.4], [118.1, 118.2], [888.0, 884.6], [9.2, 10.1], [228.1, 226.5], [668.5, 666.3], [998.5, 996.3],
  [449.1, 448.6], [778.9, 777.0], [559.2, 558.2], [0.3, 0.4], [0.1, 0.6], [778.1, 775.5], [668.8, 666.9], [339.3, 338.0],
  [448.9, 447.5], [10.8, 11.6], [557.7, 556.0], [228.3, 228.1], [998.0, 995.8], [888.8, 887.6], [119.6, 120.2], [0.3, 0.3],
  [0.6, 0.3], [557.6, 556.8], [339.3, 339.1], [888.0, 887.2], [998.5, 999.0], [778.9, 779.0], [10.2, 11.1], [117.6, 118.3],
  [228.9, 229.2], [668.4, 669.1], [449.2, 448.9], [0.2, 0.5],
];
/** The certified values of the straight line through them. */
export const NORRIS_CERTIFIED = {
  slope: 1.00211681802045,
  intercept: -0.262323073774029,
  slopeSe: 0.429796848199937e-3,
  interceptSe: 0.232818234301152,
  residualSd: 0.884796396144373,
};

/** The observations with x in place of time. */
export const NORRIS = NORRIS_PAIRS.map(([y, x]) => ({ x, y }));
