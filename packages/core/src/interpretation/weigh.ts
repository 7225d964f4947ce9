import { probeName, type Shown } from '../circuit/probe.ts';
import { stateName } from '../circuit/state.ts';
import { BLUNDERS, blunder, density } from './density.ts';
import type { Expected, Way } from './expected.ts';
import type { MayBe } from './possible-states.ts';
import type { Placed } from './visit-probes.ts';

/** One figure as it is weighed. */
export interface Sample extends Placed {
  /** The reading it is of. */
  readonly of: string;
  /** In the scale of the structure. */
  readonly value: Shown;
  /** Where the plate is silent, the figures it may stand for, as likely as one another. */
  readonly orValues?: readonly number[];
}

/** Readings taken while the machine was in one state, whichever that was. */
export interface Episode {
  readonly states: readonly MayBe[];
  readonly samples: readonly Sample[];
}

/** Chance that the figure is read where a way shows `shown`, or `or` where the meter sits elsewhere; blunders apart. */
function asShown(sample: Sample, shown: Shown, or: Shown | undefined): number {
  const { probe, or: other, orValues } = sample;
  const values = orValues ?? [sample.value];
  const at = (one: Shown) =>
    values.reduce<number>((sum, value) => sum + density(value, one, probe, sample), 0) / values.length;
  return other && or !== undefined ? (1 - other.weight) * at(shown) + other.weight * at(or) : at(shown);
}

const chanceOf = (sample: Sample, shown: Shown, or: Shown | undefined): number =>
  (1 - BLUNDERS) * asShown(sample, shown, or) + BLUNDERS * blunder(sample.value, sample.probe) + 1e-12;

/** A figure by its name: equal figures at equal probes have equal names. */
function sampleName({ probe, or, value, orValues, share, wears = 0 }: Sample): string {
  const other = or ? `${probeName(or.probe)}*${or.weight}` : '';
  return `${probeName(probe)}|${other}|${value}|${orValues?.join() ?? ''}|${share}|${wears}`;
}

/** What was worked out of a structure: while one figure is typed, all others stand still. */
interface Kept {
  readonly figures: Map<string, Float64Array>;
  readonly logs: Map<string, readonly Float64Array[]>;
}
const MOST_FIGURES = 3000;
const MOST_LOGS = 150;
const kept = new WeakMap<Expected, Kept>();
function keptOf(expected: Expected): Kept {
  const known = kept.get(expected);
  if (known) return known;
  const made: Kept = { figures: new Map(), logs: new Map() };
  kept.set(expected, made);
  return made;
}

/** How likely each way makes a figure in a state. */
export function likelihoods(expected: Expected, sample: Sample, may: MayBe): Float64Array {
  const { figures } = keptOf(expected);
  const name = `${sampleName(sample)}|${stateName(may.state)}`;
  const before = figures.get(name);
  if (before) return before;
  if (figures.size >= MOST_FIGURES) figures.clear();
  const made = likelihoodsAnew(expected, sample, may);
  figures.set(name, made);
  return made;
}

/** The figures that are told apart at a place, and which of them each way shows. */
interface Apart {
  readonly figures: readonly Shown[];
  readonly of: Uint16Array;
}
/** Figures that agree so far are one: most ways show what the sound machine does, but for a drop of some mV. */
const DIGITS = 4;
const apartIn = new WeakMap<readonly Shown[], Apart>();
/** What is shown somewhere by each way, taken apart into the figures that differ. */
export function apartOf(shown: readonly Shown[]): Apart {
  const known = apartIn.get(shown);
  if (known) return known;
  const places = new Map<string, number>();
  const figures: Shown[] = [];
  const of = Uint16Array.from(shown, (one) => {
    const name = typeof one === 'number' ? one.toPrecision(DIGITS) : one;
    const place = places.get(name) ?? figures.push(one) - 1;
    places.set(name, place);
    return place;
  });
  const made = { figures, of };
  apartIn.set(shown, made);
  return made;
}

function likelihoodsAnew(expected: Expected, sample: Sample, { state }: MayBe): Float64Array {
  const shown = expected.shown(sample.probe, state);
  const or = sample.or && expected.shown(sample.or.probe, state);
  if (or) return Float64Array.from(shown, (one, w) => Math.log(chanceOf(sample, one, or[w])));
  const { figures, of } = apartOf(shown);
  const logs = figures.map((one) => Math.log(chanceOf(sample, one, undefined)));
  return Float64Array.from(of, (place) => logs[place]!);
}

/** The same of a sound machine alone. */
export const soundLikelihood = (expected: Expected, sample: Sample, { state }: MayBe): number =>
  Math.log(chanceOf(sample, expected.sound(sample.probe, state), sample.or && expected.sound(sample.or.probe, state)));

/** Σ. */
export function total(values: Iterable<number>): number {
  let all = 0;
  for (const one of values) all += one;
  return all;
}

/** log Σ exp. */
export function logSum(logs: Float64Array | readonly number[]): number {
  let most = -Infinity;
  for (const log of logs) most = Math.max(most, log);
  if (most === -Infinity) return most;
  let sum = 0;
  for (const log of logs) sum += Math.exp(log - most);
  return most + Math.log(sum);
}

/** log Σ exp of one way over the states of an episode; `more` is added to the log of each. */
export function logSumOver(inState: readonly Float64Array[], way: number, more?: readonly number[]): number {
  let most = -Infinity;
  for (let s = 0; s < inState.length; s++) most = Math.max(most, inState[s]![way]! + (more?.[s] ?? 0));
  if (most === -Infinity) return most;
  let sum = 0;
  for (let s = 0; s < inState.length; s++) sum += Math.exp(inState[s]![way]! + (more?.[s] ?? 0) - most);
  return most + Math.log(sum);
}

/** The readings of a visit under every way: how likely each makes them, and in which state it would. */
export interface Weighed {
  readonly expected: Expected;
  readonly episodes: readonly Episode[];
  /** By episode, state and way: log of the state's weight and of all its figures. */
  readonly inState: readonly (readonly Float64Array[])[];
  /** By episode and way: the same, in whichever state. */
  readonly inAny: readonly Float64Array[];
  /** By way: log of all figures of the visit. */
  readonly byWay: Float64Array;
}

/** Lists of states by a number each, since the same list is asked for again and again. */
const stateLists = new WeakMap<readonly MayBe[], number>();
let lists = 0;
function listNumber(states: readonly MayBe[]): number {
  const known = stateLists.get(states);
  if (known !== undefined) return known;
  stateLists.set(states, (lists += 1));
  return lists;
}

/** By state and way: log of the state's weight and of some figures. While one is typed, all before it are known. */
function logsOf(expected: Expected, states: readonly MayBe[], samples: readonly Sample[]): readonly Float64Array[] {
  const { logs } = keptOf(expected);
  const name = `${listNumber(states)}|${samples.map(sampleName).join('|')}`;
  const known = logs.get(name);
  if (known) return known;
  const last = samples.at(-1);
  const count = expected.ways?.length ?? 0;
  const before = last && logsOf(expected, states, samples.slice(0, -1));
  const made = states.map((may, s) => {
    if (!last) return new Float64Array(count).fill(Math.log(may.weight));
    const own = likelihoods(expected, last, may);
    const sum = Float64Array.from(before![s]!);
    for (let w = 0; w < count; w++) sum[w]! += own[w]!;
    return sum;
  });
  if (logs.size >= MOST_LOGS) logs.clear();
  logs.set(name, made);
  return made;
}

/** What was worked out of an episode's logs: they stand still while another is typed into. */
export function ofLogs<T>(known: WeakMap<readonly Float64Array[], T>, logs: readonly Float64Array[], make: () => T): T {
  const before = known.get(logs);
  if (before !== undefined) return before;
  const made = make();
  known.set(logs, made);
  return made;
}
const anyKnown = new WeakMap<readonly Float64Array[], Float64Array>();
const inAnyOf = (expected: Expected, inState: readonly Float64Array[]): Float64Array =>
  ofLogs(anyKnown, inState, () => Float64Array.from(expected.ways ?? [], (_way, w) => logSumOver(inState, w)));

/** Weighs the readings of a visit under every way and state. */
export function weigh(expected: Expected, episodes: readonly Episode[]): Weighed {
  const inState = episodes.map(({ states, samples }) => logsOf(expected, states, samples));
  const inAny = inState.map((logs) => inAnyOf(expected, logs));
  const byWay = Float64Array.from(expected.ways ?? [], (_way, w) => inAny.reduce((sum, logs) => sum + logs[w]!, 0));
  return { expected, episodes, inState, inAny, byWay };
}

/** By way: log of all figures of the visit but some of one episode. */
export function withoutSamples(
  { expected, episodes, inAny, byWay }: Weighed,
  e: number,
  samples: readonly Sample[],
): Float64Array {
  const { states, samples: all } = episodes[e]!;
  const left = logsOf(
    expected,
    states,
    all.filter((sample) => !samples.includes(sample)),
  );
  return byWay.map((log, w) => log - inAny[e]![w]! + logSumOver(left, w));
}

/** Chances of each way, by its weight beforehand; they sum to 1. */
export function posterior({ expected, byWay }: Weighed, weightOf: (way: Way) => number): Float64Array {
  const logs = Float64Array.from(expected.ways ?? [], (way, w) => Math.log(weightOf(way)) + byWay[w]!);
  const all = logSum(logs);
  return logs.map((log) => Math.exp(log - all));
}

/** Chances of each state of an episode; by way they sum to the chance of the way. */
export function statesBy({ inState, inAny }: Weighed, episode: number, ways: Float64Array): Float64Array[] {
  const all = inAny[episode]!;
  return inState[episode]!.map((logs) => ways.map((chance, w) => chance * Math.exp(logs[w]! - all[w]!)));
}

/** Chance that a figure is a blunder, by the chances of ways in each state. */
export function blunderChance(
  expected: Expected,
  sample: Sample,
  states: readonly MayBe[],
  by: readonly Float64Array[],
): number {
  const slip = BLUNDERS * blunder(sample.value, sample.probe);
  return states.reduce((sum, may, s) => {
    const logs = likelihoods(expected, sample, may);
    return sum + by[s]!.reduce((own, chance, w) => own + (chance > 0 ? (chance * slip) / Math.exp(logs[w]!) : 0), 0);
  }, 0);
}
