import { UNLISTED, type Cause, type CauseId } from './causes.ts';
import { answerOf, type Expectation } from './expectations.ts';
import type { Reading } from '../circuit/measure.ts';
import type { Test } from './test-shape.ts';

/** What was answered to a test. */
export interface Observation {
  readonly test: string;
  /** As read; ∞ for OL, NaN where it could not be read as nothing ran. */
  readonly reading: Reading;
  /** True where the technician would not swear to it. */
  readonly doubted?: boolean;
}

/** Causes and what each test would say under them, as chances are worked out from. */
export interface Told {
  readonly causes: readonly Cause[];
  readonly tests: ReadonlyMap<string, Test>;
  readonly expect: (test: Test) => Expectation;
}

/** How much of an answer counts that is doubted. */
const DOUBTED = 0.3;
/** What an answer that no cause foresees is likely under: little of a listed one, more of what is not listed. */
const UNFORESEEN = { listed: 0.01, unlisted: 0.2 };

/** A figure for each way each cause comes. */
export type ByWay = readonly (readonly number[])[];

/** How likely an answer is, by cause and way, as far as it counts; null for what is no answer to a test of the machine. */
export function likelihoods(
  { causes, tests, expect }: Told,
  { test: id, reading, doubted }: Observation,
): ByWay | null {
  const test = tests.get(id);
  if (!test) return null;
  const expectation = expect(test);
  const answer = answerOf(expectation, reading);
  if (answer < 0)
    return causes.map(({ id: cause, benches }) =>
      benches.map(() => (cause === UNLISTED ? UNFORESEEN.unlisted : UNFORESEEN.listed)),
    );
  return expectation.chances.map((ways) =>
    ways.map((row) => {
      const chance = row[answer] ?? 0;
      return doubted ? DOUBTED * chance + (1 - DOUBTED) / expectation.answers.length : chance;
    }),
  );
}

const LEAST = 1e-9;

/** The log likelihood of all observations by cause and way: their order does not matter. */
export function logLikelihoods(told: Told, observations: readonly Observation[]): number[][] {
  const logs = told.causes.map(({ benches }) => benches.map(() => 0));
  for (const observation of observations)
    likelihoods(told, observation)?.forEach((ways, i) =>
      ways.forEach((chance, way) => {
        const row = logs[i];
        if (row) row[way] = (row[way] ?? 0) + Math.log(Math.max(chance, LEAST));
      }),
    );
  return logs;
}

/** Chances of each way of each cause, from what each cause had before; they sum to 1. */
export function chancesByWay(logs: ByWay, priors: readonly number[]): number[][] {
  const most = Math.max(...logs.flat());
  const joint = logs.map((ways, i) => ways.map((log) => ((priors[i] ?? 0) / ways.length) * Math.exp(log - most)));
  const all = joint.flat().reduce((sum, p) => sum + p, 0);
  return joint.map((ways) => ways.map((p) => p / all));
}

const summed = (ways: readonly number[]): number => ways.reduce((sum, p) => sum + p, 0);
/** The chance of each cause, whichever way it comes. */
export const byCause = (chances: ByWay): number[] => chances.map(summed);

const bits = (p: number): number => (p > 0 ? -p * Math.log2(p) : 0);
/** Entropy of chances, bits: two that are even are 1 bit, four are 2. */
export const entropy = (chances: readonly number[]): number => chances.reduce((sum, p) => sum + bits(p), 0);

/**
 * Bits a test is expected to tell of which cause it is: what is unknown before, less what will be on average after. A test
 * that would say the same under every cause tells 0.
 */
export function tellsOf({ answers, chances: rows }: Expectation, chances: ByWay): number {
  let after = 0;
  for (let answer = 0; answer < answers.length; answer++) {
    const joint = chances.map((ways, i) => ways.reduce((sum, p, way) => sum + p * (rows[i]?.[way]?.[answer] ?? 0), 0));
    const all = summed(joint);
    if (all > 0) after += all * entropy(joint.map((p) => p / all));
  }
  return Math.max(0, entropy(byCause(chances)) - after);
}

/** The causes that hold a fault, and those that do not, by their place. */
export const holding = (causes: readonly Cause[], fault: CauseId) =>
  causes.map((cause) => (cause.faults as readonly string[]).includes(fault));
