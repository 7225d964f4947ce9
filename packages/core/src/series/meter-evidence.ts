import { cholesky, forward } from './cholesky.ts';
import type { ThreadPrior } from './drift-prior.ts';
import { startOf, type Explanation, type ThreadFit } from './fit-thread.ts';
import type { ReadyThread } from './thread-shape.ts';
import { placeIn, type MeterLayout } from './meter-layout.ts';

/** What threads say of the unknowns: information and its weighted values, x being asked for in information · x = values. */
export interface MeterEvidence {
  readonly information: Float64Array;
  readonly values: Float64Array;
}

/** Room for what threads will say of so many unknowns. */
export const noEvidence = (size: number): MeterEvidence => ({
  information: new Float64Array(size * size),
  values: new Float64Array(size),
});

/** Explanations weighed for a meter's sake: the likeliest few, and none of less than this weight. */
const MOST_EXPLANATIONS = 3;
const LEAST_WEIGHT = 0.05;
/** Of a longer thread only the newest readings are taken. */
const MOST_POINTS = 48;

/** Covariance of a thread's readings under one explanation, meters apart: start, drift, wander, steps, and their scatter. */
function covarianceUnder(thread: ReadyThread, prior: ThreadPrior, { drift, scatter, trouble }: Explanation) {
  const { points, shifts, stepSd, oddSd } = thread;
  const n = points.length;
  const start = startOf(thread, prior);
  const { sd, wander } = prior.classes[drift]!;
  const factor = prior.scatter[scatter]!.factor;
  const since = points.map((p) => p.years - start.years);
  const covariance = new Float64Array(n * n);
  const steps = [...trouble.steps, ...shifts];
  for (let i = 0; i < n; i += 1) {
    for (let j = 0; j <= i; j += 1) {
      const [a, b] = [since[i]!, since[j]!];
      const [early, late] = a < b ? [a, b] : [b, a];
      const wandered = early > 0 ? (wander * wander * early * early * (3 * late - early)) / 6 : 0;
      let sum = start.sd * start.sd + sd * sd * a * b + wandered;
      for (const at of steps) if (j >= at) sum += stepSd * stepSd;
      if (i === j) sum += points[i]!.variance * factor * factor + (trouble.odd.includes(i) ? oddSd * oddSd : 0);
      covariance[i * n + j] = sum;
      covariance[j * n + i] = sum;
    }
  }
  return { covariance, since, start };
}

/** The unknowns a thread's readings hang on: their places, and by how much each moves each reading (row by row). */
function leaningsOf(
  thread: ReadyThread,
  layout: MeterLayout,
  ofClass: number,
  since: readonly number[],
  { isNew, mean }: { isNew: boolean; mean: number },
) {
  const n = thread.points.length;
  const columns = new Map<number, Float64Array>();
  const lean = (unknown: number, point: number, by: number) => {
    if (by === 0) return;
    let column = columns.get(unknown);
    if (!column) columns.set(unknown, (column = new Float64Array(n)));
    column[point]! += by;
  };
  for (let i = 0; i < n; i += 1) {
    for (const { quantity, name, power, adds } of thread.pulls?.[i] ?? []) {
      // By the level that was expected and not by the one that was read: else what read high would seem to be a meter's doing.
      const moves = power * mean + adds;
      const track = layout.trackOf(quantity, name);
      const { at, share } = placeIn(track, thread.points[i]!.years);
      lean(layout.common.get(quantity)!, i, moves);
      lean(track.first + at, i, moves * (1 - share));
      lean(track.first + at + 1, i, moves * share);
    }
    if (isNew) lean(ofClass, i, 1);
    lean(ofClass + 1, i, since[i]!);
  }
  return columns;
}

const lastOf = (thread: ReadyThread): ReadyThread => {
  const cut = thread.points.length - MOST_POINTS;
  if (cut <= 0) return thread;
  return {
    ...thread,
    points: thread.points.slice(cut),
    pulls: thread.pulls?.slice(cut),
    fittedYears: null,
    shifts: [],
  };
};

/**
 * Adds what one thread says of its meters: its readings as read, less where they were expected, weighed by their whole
 * covariance, so that level, drift and scatter of the part are allowed for (a linear mixed model with the part's effects
 * marginalized). `fit` is of the thread with what is believed of its meters so far taken off.
 */
export function addThread(
  evidence: MeterEvidence,
  whole: ReadyThread,
  fit: ThreadFit,
  prior: ThreadPrior,
  layout: MeterLayout,
  ofClass: number,
): void {
  const thread = lastOf(whole);
  const n = thread.points.length;
  const { size } = layout;
  const likely = [...fit.explanations].sort((a, b) => b.weight - a.weight).slice(0, MOST_EXPLANATIONS);
  const kept = likely.filter((e, i) => i === 0 || e.weight >= LEAST_WEIGHT);
  const all = kept.reduce((sum, e) => sum + e.weight, 0);
  for (const explanation of kept) {
    const weight = explanation.weight / all;
    const told = thread === whole ? explanation : { ...explanation, trouble: { odd: [], steps: [] } };
    const { covariance, since, start } = covarianceUnder(thread, prior, told);
    const factor = cholesky(covariance, n);
    if (!factor) continue;
    const { mean } = prior.classes[explanation.drift]!;
    const off = Float64Array.from(thread.points, (p, i) => p.value - start.mean - mean * since[i]!);
    forward(factor, n, off);
    const leanings = [...leaningsOf(thread, layout, ofClass, since, start)];
    for (const [, column] of leanings) forward(factor, n, column);
    for (const [a, left] of leanings) {
      let value = 0;
      for (let i = 0; i < n; i += 1) value += left[i]! * off[i]!;
      evidence.values[a]! += weight * value;
      for (const [b, right] of leanings) {
        let sum = 0;
        for (let i = 0; i < n; i += 1) sum += left[i]! * right[i]!;
        evidence.information[a * size + b]! += weight * sum;
      }
    }
  }
}
