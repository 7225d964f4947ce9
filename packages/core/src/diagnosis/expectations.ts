import { read, type Reading } from '../circuit/measure.ts';
import { normalCdf } from '../series/mixture.ts';
import { UNLISTED, type Cause } from './causes.ts';
import type { Answer, Test } from './test-shape.ts';

/** The answers of a test that its causes tell apart, and how likely each is under each cause. */
export interface Expectation {
  readonly answers: readonly Answer[];
  /** By cause, by way it comes, then by answer; each row sums to 1. */
  readonly chances: readonly (readonly (readonly number[])[])[];
}

/** How often an answer is not what it should have been: a lead on the wrong lug, a figure misread, a wire that is not as noted. */
const BLUNDERS = 0.015;
/** The same of a part alone on the bench, its wires off: little can be mistaken. */
const BENCH_BLUNDERS = 0.006;
const ON_THE_BENCH: ReadonlySet<string> = new Set(['microfarads', 'ohms', 'spin']);
/** How often what runs is noted wrongly of a call, from the street or through a door. */
const MISSEEN = 0.03;

/** The answer for what cannot be read as things are: nothing runs that it could be read of. */
const IDLE: Answer = { id: 'idle', says: 'idle' };

function chanceOf(answer: Answer, reading: Reading, { share, floor }: Test): number {
  if ('says' in answer) {
    if (typeof reading === 'string') return answer.says === reading ? 1 : 0;
    return Number.isNaN(reading) && answer.id === 'idle' ? 1 : 0;
  }
  if (typeof reading === 'string' || Number.isNaN(reading)) return 0;
  if (reading === Infinity) return answer.below === Infinity ? 1 : 0;
  const sd = Math.hypot(share * reading, floor);
  return normalCdf((answer.below - reading) / sd) - normalCdf((answer.from - reading) / sd);
}

const withBlunders = (row: readonly number[], share: number): number[] => {
  const all = row.reduce((sum, chance) => sum + chance, 0);
  return row.map((chance) => (1 - share) * (all > 0 ? chance / all : 1 / row.length) + share / row.length);
};

/** How far a set of runners as seen is from what runs: each one is missed or imagined now and then. */
function seenAs(runs: string, seen: string): number {
  const [one, other] = [new Set(runs.split(' ')), new Set(seen.split(' '))];
  const wrong = [...new Set([...one, ...other])].filter((r) => r !== 'nothing' && one.has(r) !== other.has(r)).length;
  return (1 - MISSEEN) * MISSEEN ** wrong;
}

/** How much of what is not listed shows as anything at all, and not as a sound machine. */
const ELSEWHERE_SHARE = 0.5;
const blundersOf = ({ id }: Cause, { measure }: Test): number => {
  // What is on no list makes no part read wrong that lies alone on the bench.
  if (ON_THE_BENCH.has(measure.what)) return id === UNLISTED ? 4 * BENCH_BLUNDERS : BENCH_BLUNDERS;
  return id === UNLISTED ? ELSEWHERE_SHARE : BLUNDERS;
};

function answersOf(test: Test, readings: readonly (readonly Reading[])[]): readonly Answer[] {
  if (test.answers === null) return [...new Set(readings.flat().map(String))].map((says) => ({ id: says, says }));
  return readings.flat().some((reading) => Number.isNaN(reading)) ? [...test.answers, IDLE] : test.answers;
}

/**
 * What a test would say under each cause, in each way it comes. The answers that are told apart are those the causes foresee,
 * unless they are given.
 */
export function expectationOf(test: Test, causes: readonly Cause[], given?: readonly Answer[]): Expectation {
  const readings = causes.map(({ benches }) => benches.map((bench) => read(bench, test.measure)));
  const answers = given ?? answersOf(test, readings);
  const chance = (answer: Answer, reading: Reading): number =>
    test.answers === null
      ? seenAs(String(reading), 'says' in answer ? answer.says : '')
      : chanceOf(answer, reading, test);
  return {
    answers,
    chances: causes.map((cause, i) =>
      (readings[i] ?? []).map((reading) =>
        withBlunders(
          answers.map((answer) => chance(answer, reading)),
          blundersOf(cause, test),
        ),
      ),
    ),
  };
}

/** Which of a test's answers a reading is, by its figure or its word; −1 for one that is none of them. */
export function answerOf({ answers }: Pick<Expectation, 'answers'>, reading: Reading): number {
  const exact = answers.findIndex((a) => ('says' in a ? a.says : a.id) === reading);
  if (exact >= 0 || typeof reading === 'string') return exact;
  if (Number.isNaN(reading)) return answers.findIndex(({ id }) => id === 'idle');
  return answers.findIndex((a) => 'from' in a && reading >= a.from && (reading < a.below || a.below === Infinity));
}

/** The id of the answer that a reading is; undefined for one that is none of a test's. */
export const answerIdOf = ({ answers }: Test, reading: Reading): string | undefined =>
  answers ? answers[answerOf({ answers }, reading)]?.id : undefined;

/** What is entered for what an instrument shows: the figure, or the word where a test asks for one. */
export function enteredFor(test: Test, reading: Reading): Reading {
  if (test.reading.kind !== 'hunt-look' || typeof reading === 'string') return reading;
  return answerIdOf(test, reading) ?? reading;
}
