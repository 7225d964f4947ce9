/** Air pressure of the standard atmosphere at sea level, kPa. */
export const SEA_LEVEL_KPA = 101.325;

/** kPa in a psi: 4.4482216 N over a square inch. */
export const KPA_A_PSI = 6.894757;

const METRES_A_FOOT = 0.3048;

/**
 * Air pressure at an altitude, kPa: p = 101.325 (1 − 2.25577·10⁻⁵ z)^5.2559 with z in m, the standard atmosphere as in
 * ASHRAE Handbook Fundamentals, Psychrometrics, equation 3. `altitudeFt` in ft above sea level.
 * airPressureAt(0) is 101.325; airPressureAt(5000) is 84.3.
 */
export const airPressureAt = (altitudeFt: number): number =>
  SEA_LEVEL_KPA * (1 - 2.25577e-5 * altitudeFt * METRES_A_FOOT) ** 5.2559;
