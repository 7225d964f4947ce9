import { cholesky, forward } from './cholesky.ts';
import type { ThreadPrior } from './drift-prior.ts';
import { startOf, type Explanation } from './explain-thread.ts';
import type { ThreadFit } from './fit-thread.ts';
import type { ReadyThread } from './thread-shape.ts';
import type { PlacedPull } from './meter-layout.ts';

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
const MOST_EXPLANATIONS = 2;
const LEAST_WEIGHT = 0.15;
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

/** The unknowns a thread's readings hang on, and by how much each moves each reading: a column an unknown, one after another. */
class Leanings {
  readonly unknowns: number[] = [];
  private columns = new Float64Array(1024);
  private n = 0;

  begin(n: number): void {
    this.unknowns.length = 0;
    this.n = n;
  }
  /** The column of an unknown by its place here. */
  column(place: number): Float64Array {
    return this.columns.subarray(place * this.n, (place + 1) * this.n);
  }
  lean(unknown: number, point: number, by: number): void {
    if (by === 0) return;
    let place = this.unknowns.indexOf(unknown);
    if (place < 0) {
      place = this.unknowns.push(unknown) - 1;
      const end = (place + 1) * this.n;
      if (end > this.columns.length) {
        const larger = new Float64Array(2 * end);
        larger.set(this.columns);
        this.columns = larger;
      }
      this.columns.fill(0, place * this.n, end);
    }
    this.columns[place * this.n + point]! += by;
  }
}

/** One for all threads: each is done with before the next begins. */
const leanings = new Leanings();

/** Adds what the columns at hand say with a residual, both whitened, at a weight: only at and right of the diagonal. */
function addWhitened({ information, values }: MeterEvidence, size: number, off: Float64Array, weight: number): void {
  const { unknowns } = leanings;
  const n = off.length;
  const columns = unknowns.map((_, place) => leanings.column(place));
  for (let a = 0; a < unknowns.length; a += 1) {
    const left = columns[a]!;
    let value = 0;
    for (let i = 0; i < n; i += 1) value += left[i]! * off[i]!;
    values[unknowns[a]!]! += weight * value;
    for (let b = a; b < unknowns.length; b += 1) {
      const right = columns[b]!;
      let sum = 0;
      for (let i = 0; i < n; i += 1) sum += left[i]! * right[i]!;
      const [row, column] = unknowns[a]! < unknowns[b]! ? [unknowns[a]!, unknowns[b]!] : [unknowns[b]!, unknowns[a]!];
      information[row * size + column]! += weight * sum;
    }
  }
}

/**
 * Adds what readings that are off by so much say of the unknowns they lean on, at a weight: `lean` tells by how much an
 * unknown moves each of them; whatever else moves them is in their covariance. A covariance that is none adds nothing.
 */
export function addLeaning(
  evidence: MeterEvidence,
  covariance: Float64Array,
  off: Float64Array,
  weight: number,
  leansOn: (lean: (unknown: number, reading: number, by: number) => void) => void,
): void {
  const n = off.length;
  const factor = cholesky(covariance, n);
  if (!factor) return;
  leanings.begin(n);
  leansOn((unknown, reading, by) => leanings.lean(unknown, reading, by));
  forward(factor, n, off);
  for (let place = 0; place < leanings.unknowns.length; place += 1) forward(factor, n, leanings.column(place));
  addWhitened(evidence, evidence.values.length, off, weight);
}

/** Fills what lies left of the diagonal from what lies right of it. */
export function mirror({ information }: MeterEvidence, size: number): void {
  for (let i = 0; i < size; i += 1)
    for (let j = 0; j < i; j += 1) information[i * size + j] = information[j * size + i]!;
}

const lastOf = (thread: ReadyThread): ReadyThread => {
  const cut = thread.points.length - MOST_POINTS;
  if (cut <= 0) return thread;
  return {
    ...thread,
    points: thread.points.slice(cut),
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
  placed: readonly (readonly PlacedPull[])[],
  ofClass: number,
): void {
  const thread = lastOf(whole);
  const n = thread.points.length;
  const pulls = placed.slice(placed.length - n);
  const likely = [...fit.explanations].sort((a, b) => b.weight - a.weight).slice(0, MOST_EXPLANATIONS);
  const kept = likely.filter((e, i) => i === 0 || e.weight >= LEAST_WEIGHT);
  const all = kept.reduce((sum, e) => sum + e.weight, 0);
  for (const explanation of kept) {
    const weight = explanation.weight / all;
    const told = thread === whole ? explanation : { ...explanation, trouble: { odd: [], steps: [] } };
    const { covariance, since, start } = covarianceUnder(thread, prior, told);
    const { mean } = prior.classes[explanation.drift]!;
    const off = Float64Array.from(thread.points, (p, i) => p.value - start.mean - mean * since[i]!);
    addLeaning(evidence, covariance, off, weight, (lean) => {
      for (let i = 0; i < n; i += 1) {
        for (const { common, knot, share, power, adds } of pulls[i]!) {
          // By the level that was expected and not by the one that was read: else what read high would seem to be a meter's doing.
          const moves = power * start.mean + adds;
          lean(common, i, moves);
          lean(knot, i, moves * (1 - share));
          lean(knot + 1, i, moves * share);
        }
        if (start.isNew) lean(ofClass, i, 1);
        lean(ofClass + 1, i, since[i]!);
      }
    });
  }
}
