import { DAYS_A_YEAR } from '../quantity/day.ts';
import { cholesky, inverse, logDeterminant, solve } from './cholesky.ts';
import type { MeterEvidence } from './meter-evidence.ts';
import { type MeterLayout, type MeterTrack } from './meter-layout.ts';
import type { MeterKnown, MetersKnown, MeterStory } from './meters-known.ts';

/** What is expected of a class before its threads are seen, shares of the reference. */
export interface ClassStart {
  /** How far the level of its new parts may lie from where it is taken to be, and where it is expected rather. */
  readonly level: { readonly off: number; readonly sd: number };
  /** How far the mean drift of its parts may lie from where it is taken to be, a year. */
  readonly driftSd: number;
}

/** One way a meter may have gone. */
interface Story {
  readonly story: MeterStory;
  /** The knot from which it stepped; null without a step. */
  readonly steppedAt: number | null;
  readonly logShare: number;
}

/** How meters go, in spreads of their quantity: slope a year, wandering a √year, size of a step. Common practice, no source. */
const GOING = {
  steady: { slope: 0.06, wander: 0.1 },
  'going-off': { slope: 0.8, wander: 0.4 },
  stepped: { slope: 0.06, wander: 0.1 },
} as const;
const STEP = 1.6;
const SHARES = { steady: 0.85, 'going-off': 0.1, stepped: 0.05 } as const;
/** How many meters the trade's spread is worth beside the firm's own. */
const SPREAD_WORTH = 2;
/** What all meters of a firm share: a part of the trade's spread, and of what they differ by among themselves. */
const SHARED_OF_TRADE = 0.24;
const SHARED_OF_OWN = 0.25;

const STEADY: Story = { story: 'steady', steppedAt: null, logShare: Math.log(SHARES.steady) };

function storiesOf({ knots }: MeterTrack): Story[] {
  if (knots.length < 2) return [STEADY];
  const steps = knots.slice(1).map((_, i) => ({
    story: 'stepped' as const,
    steppedAt: i + 1,
    logShare: Math.log(SHARES.stepped / (knots.length - 1)),
  }));
  return [STEADY, { story: 'going-off', steppedAt: null, logShare: Math.log(SHARES['going-off']) }, ...steps];
}

/** Covariance of a meter's own offset at its knots by one story; `trade` and `spread` are standard deviations. */
function covarianceOf({ knots }: MeterTrack, { story, steppedAt }: Story, trade: number, spread: number): Float64Array {
  const n = knots.length;
  const k = new Float64Array(n * n);
  const { slope, wander } = GOING[story];
  for (let i = 0; i < n; i += 1) {
    for (let j = 0; j < n; j += 1) {
      const [a, b] = [knots[i]! - knots[0]!, knots[j]! - knots[0]!];
      let sum = spread ** 2 + (slope * trade) ** 2 * a * b + (wander * trade) ** 2 * Math.min(a, b);
      if (steppedAt !== null && i >= steppedAt && j >= steppedAt) sum += (STEP * trade) ** 2;
      // What is not quite regular between two knots keeps the matrix regular, too.
      if (i === j) sum += (0.02 * trade) ** 2;
      k[i * n + j] = sum;
    }
  }
  return k;
}

/** Logarithm of how well a meter's own offset as a story has it explains what readings say of it, others as believed. */
function evidenceOf(prior: Float64Array, information: Float64Array, values: Float64Array, n: number): number {
  const priorFactor = cholesky(prior, n);
  if (!priorFactor) return -Infinity;
  const precision = inverse(priorFactor, n);
  for (let i = 0; i < n * n; i += 1) precision[i]! += information[i]!;
  const factor = cholesky(precision, n);
  if (!factor) return -Infinity;
  const x = solve(factor, n, Float64Array.from(values));
  let fit = 0;
  for (let i = 0; i < n; i += 1) fit += values[i]! * x[i]!;
  return 0.5 * (fit - logDeterminant(factor, n) - logDeterminant(priorFactor, n));
}

/** What is known of meters before readings, and while they are solved for. */
interface Tracks {
  readonly layout: MeterLayout;
  readonly evidence: MeterEvidence;
  /** The trade's spread of a quantity. */
  readonly trade: (quantity: string) => number;
}

/** What readings say of one meter's own offset, with everything else as `x` has it. */
function saidOf({ layout, evidence }: Tracks, track: MeterTrack, x: Float64Array) {
  const n = track.knots.length;
  const { size } = layout;
  const information = new Float64Array(n * n);
  const values = new Float64Array(n);
  for (let i = 0; i < n; i += 1) {
    const row = (track.first + i) * size;
    let rest = evidence.values[track.first + i]!;
    for (let j = 0; j < size; j += 1) {
      const own = j - track.first;
      if (own >= 0 && own < n) information[i * n + own] = evidence.information[row + j]!;
      else rest -= evidence.information[row + j]! * x[j]!;
    }
    values[i] = rest;
  }
  return { information, values };
}

/** A meter's stories with their weights, and the covariance of its own offset by all of them together. */
interface Told {
  readonly likeliest: Story;
  readonly covariance: Float64Array;
}

/** Below this a story is not worth telling. */
const LEAST_SHARE = 0.005;

function tell(tracks: Tracks, track: MeterTrack, x: Float64Array, spread: number): Told {
  const { information, values } = saidOf(tracks, track, x);
  const trade = tracks.trade(track.quantity);
  const told = storiesOf(track).map((story) => {
    const covariance = covarianceOf(track, story, trade, spread);
    return { story, covariance, log: story.logShare + evidenceOf(covariance, information, values, track.knots.length) };
  });
  const top = told.reduce((best, t) => (t.log > best.log ? t : best));
  const weights = told.map((t) => Math.exp(t.log - top.log));
  const all = weights.reduce((a, b) => a + b, 0);
  const covariance = new Float64Array(top.covariance.length);
  for (const [s, weight] of weights.entries()) {
    if (weight < LEAST_SHARE * all) continue;
    for (let i = 0; i < covariance.length; i += 1) covariance[i]! += (weight / all) * told[s]!.covariance[i]!;
  }
  return { likeliest: top.story, covariance };
}

/** What is believed of all unknowns. */
export interface SolvedMeters {
  readonly x: Float64Array;
  /** Of the precision of all unknowns; null before anything was solved for. */
  readonly factor: Float64Array | null;
  readonly stories: readonly Story[];
  /** By quantity. */
  readonly spreads: ReadonlyMap<string, number>;
}

/** What is believed of meters before any thread has said anything. */
export const noMeters = (layout: MeterLayout, trade: Tracks['trade']): SolvedMeters => ({
  x: new Float64Array(layout.size),
  factor: null,
  stories: layout.tracks.map(() => STEADY),
  spreads: new Map([...layout.common.keys()].map((q) => [q, trade(q)])),
});

const commonOf = (trade: number, spread: number): number => Math.hypot(SHARED_OF_TRADE * trade, SHARED_OF_OWN * spread);

function solveFor(tracks: Tracks, before: SolvedMeters, told: readonly Told[], classes: readonly ClassStart[]) {
  const { layout, evidence, trade } = tracks;
  const n = layout.size;
  const precision = Float64Array.from(evidence.information);
  const values = Float64Array.from(evidence.values);
  const spreadOf = (quantity: string) => before.spreads.get(quantity)!;
  for (const [quantity, at] of layout.common)
    precision[at * n + at]! += 1 / commonOf(trade(quantity), spreadOf(quantity)) ** 2;
  layout.tracks.forEach((track, t) => {
    const size = track.knots.length;
    const factor = cholesky(told[t]!.covariance, size);
    const inverted = factor && inverse(factor, size);
    if (!inverted) return;
    for (let i = 0; i < size; i += 1)
      for (let j = 0; j < size; j += 1) precision[(track.first + i) * n + track.first + j]! += inverted[i * size + j]!;
  });
  classes.forEach(({ level, driftSd }, place) => {
    const at = layout.ofClass(place);
    if (at === null) return;
    precision[at * n + at]! += 1 / level.sd ** 2;
    values[at]! += level.off / level.sd ** 2;
    precision[(at + 1) * n + at + 1]! += 1 / driftSd ** 2;
  });
  const factor = cholesky(precision, n);
  return factor && { x: solve(factor, n, values), factor };
}

/** A column of the covariance of all unknowns. */
function columnOf(factor: Float64Array, n: number, at: number): Float64Array {
  const column = new Float64Array(n);
  column[at] = 1;
  return solve(factor, n, column);
}

/** The spread among a firm's meters, from where they are believed to be in the middle of their time. */
function spreadsOf({ layout, trade }: Tracks, x: Float64Array, factor: Float64Array): Map<string, number> {
  const spreads = new Map<string, number>();
  for (const quantity of layout.common.keys()) {
    let square = SPREAD_WORTH * trade(quantity) ** 2;
    let meters = SPREAD_WORTH;
    for (const track of layout.tracks) {
      if (track.quantity !== quantity) continue;
      const at = track.first + Math.floor(track.knots.length / 2);
      square += x[at]! ** 2 + columnOf(factor, layout.size, at)[at]!;
      meters += 1;
    }
    spreads.set(quantity, Math.sqrt(square / meters));
  }
  return spreads;
}

/**
 * Solves for the offsets of all meters over time from what threads say of them: Gaussian unknowns with the prior of each
 * meter's stories, weighed, by Cholesky's factor. `before` is what was believed so far. Where nothing can be solved for,
 * that stays.
 */
export function solveMeters(tracks: Tracks, before: SolvedMeters, classes: readonly ClassStart[]): SolvedMeters {
  const { layout } = tracks;
  const told = layout.tracks.map((track) => tell(tracks, track, before.x, before.spreads.get(track.quantity)!));
  const solved = solveFor(tracks, before, told, classes);
  if (!solved) return before;
  const { x, factor } = solved;
  return { x, factor, stories: told.map((t) => t.likeliest), spreads: spreadsOf(tracks, x, factor) };
}

/** What the meters of a quantity read on the average, as weights of the unknowns. */
function averageOf({ size, common, tracks }: MeterLayout, quantity: string): Float64Array {
  const weights = new Float64Array(size);
  weights[common.get(quantity)!] = 1;
  const its = tracks.filter((t) => t.quantity === quantity);
  const readings = its.reduce((sum, t) => sum + t.readings, 0);
  for (const { first, knots, readings: n } of its) weights[first + Math.floor(knots.length / 2)]! += n / readings;
  return weights;
}

const along = (weights: Float64Array, column: Float64Array): number => {
  let sum = 0;
  for (let i = 0; i < weights.length; i += 1) sum += weights[i]! * column[i]!;
  return sum;
};

/** What the meters of a quantity share, and how it goes with every unknown. */
interface Shared {
  /** Of the common unknown, with all others. */
  readonly column: Float64Array;
  /** Of the average of all meters, with all others. */
  readonly withAverage: Float64Array;
  readonly averaged: number;
}

function knownOf(
  layout: MeterLayout,
  track: MeterTrack,
  { x, factor }: SolvedMeters,
  { column, withAverage, averaged }: Shared,
  story: Story,
): MeterKnown {
  const c = layout.common.get(track.quantity)!;
  const at = track.knots.map((_, i) => track.first + i);
  const variances = at.map((i) => (factor ? columnOf(factor, layout.size, i)[i]! : 0) + 2 * column[i]! + column[c]!);
  const against = (i: number) => variances[i]! - 2 * (withAverage[at[i]!]! + withAverage[c]!) + averaged;
  return {
    days: track.knots.map((years) => Math.round(years * DAYS_A_YEAR)),
    mean: at.map((i) => x[i]! + x[c]!),
    sd: variances.map((v) => Math.sqrt(Math.max(0, v))),
    own: at.map((_, i) => Math.sqrt(Math.max(0, against(i)))),
    readings: track.readings,
    threads: track.threads,
    story: story.story,
    steppedOn: story.steppedAt === null ? null : Math.round(track.knots[story.steppedAt]! * DAYS_A_YEAR),
  };
}

/** What was solved for, as it is kept. */
export function metersKnown(layout: MeterLayout, solved: SolvedMeters): MetersKnown {
  const { factor, spreads, stories } = solved;
  const n = layout.size;
  return Object.fromEntries(
    [...layout.common].map(([quantity, at]) => {
      const average = averageOf(layout, quantity);
      const nothing = new Float64Array(n);
      const column = factor ? columnOf(factor, n, at) : nothing;
      const withAverage = factor ? solve(factor, n, Float64Array.from(average)) : nothing;
      const averaged = along(average, withAverage);
      const shared = { column, withAverage, averaged };
      const its = layout.tracks.flatMap((track, i) =>
        track.quantity === quantity ? [[track.name, knownOf(layout, track, solved, shared, stories[i]!)] as const] : [],
      );
      const common = Math.sqrt(Math.max(0, averaged));
      return [quantity, { spread: spreads.get(quantity)!, common, meters: Object.fromEntries(its) }];
    }),
  );
}
