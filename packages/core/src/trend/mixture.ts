import { studentCdf } from './distribution.ts';

/** A weighted Gaussian; the weights of a mixture add up to 1. */
export interface Bell {
  readonly weight: number;
  readonly mean: number;
  readonly sd: number;
}

/** Chance that a mixture is at most x. */
export function mixtureCdf(bells: readonly Bell[], x: number): number {
  let sum = 0;
  for (const { weight, mean, sd } of bells) {
    sum += weight * (sd > 0 ? studentCdf((x - mean) / sd, Infinity) : x >= mean ? 1 : 0);
  }
  return Math.min(1, sum);
}

/** Mean of a mixture, in the unit of its bells. */
export const mixtureMean = (bells: readonly Bell[]): number => bells.reduce((sum, b) => sum + b.weight * b.mean, 0);

const HALVINGS = 60;

/** The x that a mixture stays under with chance p, 0 < p < 1, to a millionth of its spread. */
export function mixtureQuantile(bells: readonly Bell[], p: number): number {
  const first = bells[0];
  if (!first) return NaN;
  if (bells.length === 1 && first.sd === 0) return first.mean;
  let low = Math.min(...bells.map((b) => b.mean - 9 * b.sd));
  let high = Math.max(...bells.map((b) => b.mean + 9 * b.sd));
  const fine = 1e-6 * (high - low);
  for (let i = 0; i < HALVINGS && high - low > fine; i += 1) {
    const middle = (low + high) / 2;
    if (mixtureCdf(bells, middle) < p) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
