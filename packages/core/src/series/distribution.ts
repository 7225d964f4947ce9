// eslint-disable-next-line @typescript-eslint/triple-slash-reference -- the package has no types; every program that reads this file needs them
/// <reference path="./jstat.d.ts" />
import jStat from 'jstat';

/** Beyond this many degrees of freedom Student's t is taken as the normal distribution. */
const NORMAL_FROM = 400;

/**
 * Chance that a Student t variable with `dof` degrees of freedom (Infinity: standard normal) is at most t.
 * Returns NaN for NaN. studentCdf(0, 5) is 0.5.
 */
export function studentCdf(t: number, dof: number): number {
  if (t === Infinity || t === -Infinity) return t > 0 ? 1 : 0;
  if (dof > NORMAL_FROM) return 0.5 * jStat.erfc(-t / Math.SQRT2);
  return jStat.studentt.cdf(t, dof);
}

const quantiles = new Map<string, number>();

/**
 * The t that a Student t variable with `dof` degrees of freedom (Infinity: standard normal) exceeds with chance 1 − p,
 * 0 < p < 1. studentQuantile(0.9, Infinity) is 1.2816. Results are remembered, since threads ask for the same few.
 */
export function studentQuantile(p: number, dof: number): number {
  const key = `${p}|${dof}`;
  const known = quantiles.get(key);
  if (known !== undefined) return known;
  const t = dof > NORMAL_FROM ? jStat.normal.inv(p, 0, 1) : jStat.studentt.inv(p, dof);
  quantiles.set(key, t);
  return t;
}
