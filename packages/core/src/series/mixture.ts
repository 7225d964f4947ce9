/** Half of the middle 80 % of a normal distribution, in standard deviations. */
export const MIDDLE_80 = 1.2816;

/** A weighted Gaussian; the weights of a mixture add up to 1. */
export interface Bell {
  readonly weight: number;
  readonly mean: number;
  readonly sd: number;
}

/** By the Chebyshev fit of erfc in Press et al., Numerical Recipes, from memory, to about one in ten million. */
function fittedCdf(z: number): number {
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

/** Beyond so many standard deviations nothing is left; between them the distribution is tabled, so many places to one. */
const TABLED_TO = 8;
const TABLED_BY = 64;
/** Of each place the distribution, and its slope over the way to the next. */
const TABLE = new Float64Array(2 * (2 * TABLED_TO * TABLED_BY + 2));
for (let i = 0; i < TABLE.length / 2; i += 1) {
  const z = i / TABLED_BY - TABLED_TO;
  TABLE[2 * i] = fittedCdf(z);
  TABLE[2 * i + 1] = Math.exp(-0.5 * z * z) / Math.sqrt(2 * Math.PI) / TABLED_BY;
}

/**
 * Chance that a standard normal variable is at most z, to about one in ten million: quick, since an outlook asks for it
 * some hundred times. Cubic between the places of a table (Hermite). normalCdf(0) is 0.5.
 */
export function normalCdf(z: number): number {
  if (!(z > -TABLED_TO)) return z <= -TABLED_TO ? 0 : NaN;
  if (z >= TABLED_TO) return 1;
  const place = (z + TABLED_TO) * TABLED_BY;
  const i = Math.floor(place);
  const t = place - i;
  const [p0, m0, p1, m1] = [TABLE[2 * i]!, TABLE[2 * i + 1]!, TABLE[2 * i + 2]!, TABLE[2 * i + 3]!];
  return p0 + t * (m0 + t * (3 * (p1 - p0) - 2 * m0 - m1 + t * (2 * (p0 - p1) + m0 + m1)));
}

/** Chance that a normal variable is at most x; one without spread is where its mean is. */
export const chanceAtMost = (x: number, mean: number, sd: number): number =>
  sd > 0 ? normalCdf((x - mean) / sd) : x >= mean ? 1 : 0;

/** Chance that a mixture is at most x. */
export function mixtureCdf(bells: readonly Bell[], x: number): number {
  let sum = 0;
  for (const { weight, mean, sd } of bells) sum += weight * chanceAtMost(x, mean, sd);
  return Math.min(1, sum);
}

/** Mean of a mixture, in the unit of its bells. */
export const mixtureMean = (bells: readonly Bell[]): number => bells.reduce((sum, b) => sum + b.weight * b.mean, 0);

/** How far the quick quantile below may be off, standard deviations. */
const QUICK_QUANTILE_OFF = 5e-4;

/**
 * The standard normal quantile to within QUICK_QUANTILE_OFF, 0 < p < 1: the rational fit of Abramowitz and Stegun, Handbook of
 * Mathematical Functions, 26.2.23, from memory.
 */
export function quickNormalQuantile(p: number): number {
  const t = Math.sqrt(-2 * Math.log(Math.min(p, 1 - p)));
  const z = t - (2.515517 + t * (0.802853 + t * 0.010328)) / (1 + t * (1.432788 + t * (0.189269 + t * 0.001308)));
  return p < 0.5 ? -z : z;
}

/** Of the chance asked for. */
const NEAR_ENOUGH = 1e-6;
const MOST_TRIES = 60;

/**
 * The x that a mixture stays under with chance p, 0 < p < 1, to a small fraction of its spread. It lies between the least and
 * the greatest of its bells' own, and is closed in on from both sides (regula falsi in the Illinois way).
 */
export function mixtureQuantile(bells: readonly Bell[], p: number): number {
  if (bells.length === 0) return NaN;
  const z = quickNormalQuantile(p);
  let low = Infinity;
  let high = -Infinity;
  for (const { mean, sd } of bells) {
    low = Math.min(low, mean + (z - QUICK_QUANTILE_OFF) * sd);
    high = Math.max(high, mean + (z + QUICK_QUANTILE_OFF) * sd);
  }
  let below = mixtureCdf(bells, low) - p;
  let above = mixtureCdf(bells, high) - p;
  if (below >= 0) return low;
  if (above <= 0) return high;
  let side = 0;
  for (let i = 0; i < MOST_TRIES; i += 1) {
    // Where the two sides differ by a jump, halving gets there.
    const x = i % 8 === 7 ? (low + high) / 2 : (low * above - high * below) / (above - below);
    const off = mixtureCdf(bells, x) - p;
    if (Math.abs(off) < NEAR_ENOUGH) return x;
    if (off < 0) {
      low = x;
      below = off;
      if (side < 0) above /= 2;
      side = -1;
    } else {
      high = x;
      above = off;
      if (side > 0) below /= 2;
      side = 1;
    }
  }
  return (low + high) / 2;
}
