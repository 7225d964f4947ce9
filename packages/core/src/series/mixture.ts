/** Half of the middle 80 % of a normal distribution, in standard deviations. */
export const MIDDLE_80 = 1.2816;

/** A weighted Gaussian; the weights of a mixture add up to 1. */
export interface Bell {
  readonly weight: number;
  readonly mean: number;
  readonly sd: number;
}

/**
 * Chance that a standard normal variable is at most z, to about one in ten million: quick, since an outlook asks for it
 * some hundred times. By the Chebyshev fit of erfc in Press et al., Numerical Recipes, from memory. normalCdf(0) is 0.5.
 */
export function normalCdf(z: number): number {
  const x = Math.abs(z) / Math.SQRT2;
  const t = 1 / (1 + 0.5 * x);
  const poly =
    -1.26551223 +
    t *
      (1.00002368 +
        t *
          (0.37409196 +
            t *
              (0.09678418 +
                t *
                  (-0.18628806 +
                    t * (0.27886807 + t * (-1.13520398 + t * (1.48851587 + t * (-0.82215223 + t * 0.17087277))))))));
  const tail = 0.5 * t * Math.exp(-x * x + poly);
  return z < 0 ? tail : 1 - tail;
}

/** Chance that a mixture is at most x. */
export function mixtureCdf(bells: readonly Bell[], x: number): number {
  let sum = 0;
  for (const { weight, mean, sd } of bells) {
    sum += weight * (sd > 0 ? normalCdf((x - mean) / sd) : x >= mean ? 1 : 0);
  }
  return Math.min(1, sum);
}

/** Mean of a mixture, in the unit of its bells. */
export const mixtureMean = (bells: readonly Bell[]): number => bells.reduce((sum, b) => sum + b.weight * b.mean, 0);

const HALVINGS = 60;
/** Of the whole width searched. */
const FINE = 2e-5;

/** The x that a mixture stays under with chance p, 0 < p < 1, to a small fraction of its spread. */
export function mixtureQuantile(bells: readonly Bell[], p: number): number {
  const first = bells[0];
  if (!first) return NaN;
  if (bells.length === 1 && first.sd === 0) return first.mean;
  let low = Math.min(...bells.map((b) => b.mean - 9 * b.sd));
  let high = Math.max(...bells.map((b) => b.mean + 9 * b.sd));
  const fine = FINE * (high - low);
  for (let i = 0; i < HALVINGS && high - low > fine; i += 1) {
    const middle = (low + high) / 2;
    if (mixtureCdf(bells, middle) < p) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
