/** One term of a saturation curve: n (1 − T/Tc)^k. */
export type Term = readonly [n: number, k: number];

/** The saturation curve of a refrigerant: Tc in K, pc in kPa, and the terms of each side. */
export interface SaturationCurve {
  readonly criticalKelvin: number;
  readonly criticalKpa: number;
  /** Boiling begins (saturated liquid). */
  readonly bubble: readonly Term[];
  /** Condensing begins (saturated vapor); the same curve for a pure fluid. */
  readonly dew: readonly Term[];
}

const pure = (criticalKelvin: number, criticalKpa: number, terms: readonly Term[]): SaturationCurve => ({
  criticalKelvin,
  criticalKpa,
  bubble: terms,
  dew: terms,
});

/**
 * ln(p/pc) = (Tc/T) Σ n (1 − T/Tc)^k. Blends: E. W. Lemmon, "Pseudo-pure fluid equations of state for the refrigerant
 * blends R-410A, R-404A, R-507A, and R-407C", Int. J. Thermophys. 24 (2003) 991. Pure fluids: the ancillary equations
 * of their reference equations of state. Recalled from memory, and held against normal boiling points in the tests.
 */
export const REFRIGERANTS: Readonly<Record<string, SaturationCurve>> = {
  'R-22': pure(369.295, 4990, [
    [-7.078, 1],
    [1.7211, 1.5],
    [-1.6379, 2.2],
    [-3.7952, 4.8],
    [0.86937, 6.2],
  ]),
  'R-32': pure(351.255, 5782, [
    [-7.4883, 1],
    [1.9697, 1.5],
    [-1.7496, 2.2],
    [-4.0224, 4.8],
    [1.5209, 6.2],
  ]),
  'R-134a': pure(374.21, 4059.28, [
    [-7.7513, 1],
    [2.9263, 1.5],
    [-2.6622, 1.9],
    [-3.9711, 4.25],
  ]),
  'R-410A': {
    criticalKelvin: 344.494,
    criticalKpa: 4901.2,
    bubble: [
      [-7.2818, 1],
      [2.5093, 1.8],
      [-3.2695, 2.4],
      [-2.8022, 4.9],
    ],
    dew: [
      [-7.4411, 1],
      [1.9883, 1.6],
      [-2.4925, 2.4],
      [-3.2633, 5],
    ],
  },
  'R-407C': {
    criticalKelvin: 359.345,
    criticalKpa: 4631.7,
    bubble: [
      [0.48722, 0.54],
      [-6.6959, 0.925],
      [-1.4165, 2.7],
      [-2.5109, 4.7],
    ],
    dew: [
      [-0.086077, 0.4],
      [-6.6364, 0.965],
      [-2.4648, 3.1],
      [-3.4776, 5],
    ],
  },
};
