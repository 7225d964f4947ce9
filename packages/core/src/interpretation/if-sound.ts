import type { MachineState } from '../circuit/state.ts';
import { fits } from './density.ts';
import { tellsAt, type Expected } from './expected.ts';
import type { MayBe } from './possible-states.ts';
import { logSum, soundLikelihood, type Episode, type Sample } from './weigh.ts';

/** Whether a figure is what a sound machine gives in a state. */
const fitsIn = (sample: Sample, state: MachineState, expected: Expected): boolean => {
  const { probe, or, value, orValues } = sample;
  return (orValues ?? [value]).some(
    (one) =>
      fits(one, expected.sound(probe, state), probe, sample) ||
      (or !== undefined && fits(one, expected.sound(or.probe, state), or.probe, sample)),
  );
};

/** Chances of the states of an episode if nothing is wrong. */
export function chancesIfSound({ states, samples }: Episode, expected: Expected): number[] {
  const logs = states.map((may) =>
    samples.reduce((log, sample) => log + soundLikelihood(expected, sample, may), Math.log(may.weight)),
  );
  const all = logSum(logs);
  return logs.map((log) => Math.exp(log - all));
}

/** The same; null where that does not explain it. */
export function soundStates(episode: Episode, expected: Expected): number[] | null {
  const { states, samples } = episode;
  const chances = chancesIfSound(episode, expected);
  const likeliest = states[chances.indexOf(Math.max(...chances))]!;
  const explains = likeliest.isMeant && samples.every((sample) => fitsIn(sample, likeliest.state, expected));
  return explains ? chances : null;
}

/** Whether a reading is what a sound machine gives in one of some states, those that were meant. */
export const fitsMeant = (samples: readonly Sample[], meant: readonly MayBe[], expected: Expected): boolean =>
  samples.every((sample) => meant.some(({ state }) => fitsIn(sample, state, expected)));

/** Whether a state tells as much as the one that was meant: it reads as there, and some fault would not. */
export function tellsIn(sample: Sample, may: MayBe, meant: readonly MayBe[], expected: Expected): boolean {
  if (may.isMeant) return true;
  const { probe } = sample;
  const here = expected.sound(probe, may.state);
  return (
    meant.some(({ state }) => fits(here, expected.sound(probe, state), probe, sample)) &&
    tellsAt(expected, probe, may.state, sample)
  );
}
