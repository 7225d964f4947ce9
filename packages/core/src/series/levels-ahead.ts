import type { ThreadFit } from './fit-thread.ts';
import { levelAfter, type ThreadEnd } from './follow.ts';
import { chanceAtMost, type Bell } from './mixture.ts';
import { isOpen, type Limit } from './outlook.ts';

/** Explanations less likely than this count in the whole, but not one by one. */
const WEIGHT_WORTH_A_BELL = 4e-3;
/** Visits are about so far apart, years: a prior's chance of a step is between two of them. */
const VISIT_YEARS = 0.5;

/**
 * Where a part is at any time before or after its last reading, as a mixture in shares of the reference: by each
 * explanation of its thread, and by a step on the way, as often as the prior has seen them.
 */
export class LevelsAhead {
  private readonly ends: readonly ThreadEnd[];
  private readonly weights: readonly number[];
  /** Sums over all explanations: of level and drift, and of what their squares take to tell at any time. */
  private level = 0;
  private drift = 0;
  private readonly squares = [0, 0, 0, 0];

  constructor(private readonly fit: ThreadFit) {
    const likely = fit.explanations.filter(({ weight }) => weight >= WEIGHT_WORTH_A_BELL);
    const all = likely.reduce((sum, { weight }) => sum + weight, 0);
    this.ends = likely.map(({ end }) => end);
    this.weights = likely.map(({ weight }) => weight / all);
    const { squares } = this;
    for (const { weight, end } of fit.explanations) {
      this.level += weight * end.level;
      this.drift += weight * end.drift;
      squares[0]! += weight * (end.levelVariance + end.level * end.level);
      squares[1]! += weight * 2 * (end.covariance + end.level * end.drift);
      squares[2]! += weight * (end.driftVariance + end.drift * end.drift);
      squares[3]! += (weight * end.wander * end.wander) / 3;
    }
  }

  /** A step until then, whenever it comes: its chance is the bell's weight. Before the last reading there is none. */
  private stepUntil(years: number): Bell {
    const { stepsAhead: ahead, sharedSd } = this.fit;
    const weight = years > 0 ? 1 - (1 - ahead.chance) ** (years / VISIT_YEARS) : 0;
    const mean = this.level + this.drift * years;
    const [s0, s1, s2, s3] = this.squares as [number, number, number, number];
    const square = s0 + years * (s1 + years * s2) + s3 * Math.abs(years) ** 3;
    const spread = Math.max(0, square - mean * mean) + ahead.sd ** 2 + sharedSd ** 2;
    return { weight, mean: mean + ahead.mean, sd: Math.sqrt(spread) };
  }

  /** The level so many years after the last reading. */
  at(years: number): Bell[] {
    const { sharedSd } = this.fit;
    const step = this.stepUntil(years);
    const bells = this.ends.map((end, i) => {
      const { mean, sd } = levelAfter(end, years);
      return { weight: this.weights[i]! * (1 - step.weight), mean, sd: sharedSd > 0 ? Math.hypot(sd, sharedSd) : sd };
    });
    return step.weight === 0 ? bells : [...bells, step];
  }

  /** Its mean then. */
  meanAt(years: number): number {
    const step = this.stepUntil(years);
    const mean = this.ends.reduce((sum, end, i) => sum + this.weights[i]! * (end.level + end.drift * years), 0);
    return (1 - step.weight) * mean + step.weight * step.mean;
  }

  /** Chance of being past a limit then, limits in shares of the reference; 0 without one. */
  chancePast(years: number, limit: Limit): number {
    const { sharedSd } = this.fit;
    const step = this.stepUntil(years);
    let past = step.weight > 0 ? step.weight * pastOne(step.mean, step.sd, limit) : 0;
    for (let i = 0; i < this.ends.length; i += 1) {
      const { mean, sd } = levelAfter(this.ends[i]!, years);
      past += this.weights[i]! * (1 - step.weight) * pastOne(mean, sharedSd > 0 ? Math.hypot(sd, sharedSd) : sd, limit);
    }
    return Math.min(1, past);
  }
}

const pastOne = (mean: number, sd: number, { lower, upper }: Limit): number =>
  (isOpen(lower) ? 0 : chanceAtMost(lower, mean, sd)) + (isOpen(upper) ? 0 : 1 - chanceAtMost(upper, mean, sd));
