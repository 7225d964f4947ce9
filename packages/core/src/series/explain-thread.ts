import type { ThreadPrior } from './drift-prior.ts';
import {
  follow,
  KEPT,
  marksOf,
  NO_TROUBLE,
  type Followed,
  type FollowPoint,
  type Motion,
  type StartLevel,
  type ThreadEnd,
  type Trouble,
} from './follow.ts';
import { SHOCK, shockAt, shockedEnd, shockGain, shocksOf } from './shocks.ts';
import type { ReadyThread } from './thread-shape.ts';

/** One explanation of a thread, with its weight among all. */
export interface Explanation {
  readonly weight: number;
  /** Places in the prior's classes and scatter. */
  readonly drift: number;
  readonly scatter: number;
  readonly trouble: Trouble;
  readonly end: ThreadEnd;
}

/** A surprise from which odd readings and steps are looked for, in standard deviations. */
const LOOK_FROM = 2;
/** With fewer readings than this nothing can be told apart. */
const LEAST_FOR_TROUBLE = 3;
const MOST_TROUBLES = 3;
const WEIGHT_WORTH_KEEPING = 5e-4;

const median = (values: Float64Array): number => {
  const sorted = values.sort();
  const middle = Math.floor(sorted.length / 2);
  return sorted.length % 2 === 1 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
};

/** A thread that begins later after fitting says nothing of the years before: the level as fitted is then left out. */
const FOLLOWED_FROM_THE_START = 1.5;

/** Where a thread is taken to begin; `isNew` where that is the level of its class's new parts. */
export function startOf(thread: ReadyThread, prior: ThreadPrior): StartLevel & { readonly isNew: boolean } {
  const { fittedYears } = thread;
  const isFollowed = fittedYears !== null && thread.points[0]!.years - fittedYears < FOLLOWED_FROM_THE_START;
  if (prior.asFitted && isFollowed) return { years: fittedYears, ...prior.asFitted, isNew: true };
  return {
    years: thread.points[0]!.years,
    mean: median(Float64Array.from(thread.points, (p) => p.value)),
    sd: thread.levelSd,
    isNew: false,
  };
}

/** A way of moving that the prior knows: its places there, and the logarithm of its share. */
interface Way {
  readonly drift: number;
  readonly scatter: number;
  readonly motion: Motion;
  readonly logShare: number;
}

/** A thread followed in every way under one trouble, with what it takes to tell what one more would change. */
interface Run {
  readonly trouble: Trouble;
  readonly ends: readonly Followed[];
  /** Of all ways, one after the other. */
  readonly trails: Float64Array;
  readonly shocks: Float64Array;
}

/** A place for one more trouble: an odd reading, or a step before it. */
interface Place {
  readonly at: number;
  readonly isStep: boolean;
}

/** A trouble with one more in it than that of a run. */
interface OneMore extends Place {
  readonly trouble: Trouble;
}

/** An explanation before its weight is known: the run it is of, or one more trouble in it. */
interface Weighed {
  readonly way: number;
  readonly run: Run;
  readonly more: OneMore | null;
  readonly log: number;
}

/** An explanation this much less likely than the best, in natural logarithms, is not worth keeping. */
const TOO_UNLIKELY = 14;

/** Troubles weighed in full; the others are far less likely. */
const MOST_WEIGHED = 6;

const knownWays = new WeakMap<ThreadPrior, readonly Way[]>();

/** The ways a prior knows, worked out once for it. */
function waysOf(prior: ThreadPrior): readonly Way[] {
  const known = knownWays.get(prior);
  if (known) return known;
  const ways = prior.classes.flatMap(({ share, mean, sd, wander }, drift) =>
    prior.scatter.map((s, scatter) => ({
      drift,
      scatter,
      motion: { mean, sd, wander, scatter: s.factor },
      logShare: Math.log(share * s.share),
    })),
  );
  knownWays.set(prior, ways);
  return ways;
}

/** Room for the runs of one thread, used again for the next: a thread is weighed in one go. */
const ROOMS = Array.from({ length: MOST_TROUBLES }, () => ({
  trails: new Float64Array(0),
  shocks: new Float64Array(0),
}));

/** Room number so much for a run over so many ways and points; what it held before is gone. */
function roomFor(number: number, ways: number, points: number): Pick<Run, 'trails' | 'shocks'> {
  const room = ROOMS[number]!;
  if (room.trails.length < ways * points * KEPT) {
    room.trails = new Float64Array(ways * points * KEPT);
    room.shocks = new Float64Array(ways * points * SHOCK);
  }
  return room;
}

/** Weighs a thread's explanations: every way of moving that the prior knows, from where the thread begins. */
class Weighing {
  readonly all: Weighed[] = [];
  readonly ways: readonly Way[];
  private readonly start: StartLevel;
  private readonly logOdd: number;
  private readonly logStep: number;
  private runs = 0;

  constructor(
    private readonly thread: ReadyThread,
    prior: ThreadPrior,
  ) {
    this.ways = waysOf(prior);
    this.start = startOf(thread, prior);
    this.logOdd = Math.log(prior.oddChance);
    this.logStep = Math.log(prior.stepChance);
  }

  private logOf(trouble: Trouble): number {
    return trouble.odd.length * this.logOdd + trouble.steps.length * this.logStep;
  }

  private varianceOf({ isStep }: Place): number {
    const sd = isStep ? this.thread.stepSd : this.thread.oddSd;
    return sd * sd;
  }

  /** Follows the thread in every way under one trouble. */
  run(trouble: Trouble): Run {
    const { points, oddSd, stepSd, shifts } = this.thread;
    const marks = marksOf(points.length, trouble, oddSd * oddSd, stepSd * stepSd, shifts);
    const { trails, shocks } = roomFor(this.runs, this.ways.length, points.length);
    this.runs += 1;
    const ends = this.ways.map(({ motion }, way) =>
      follow(points, motion, this.start, marks, trails, way * points.length * KEPT),
    );
    return { trouble, ends, trails, shocks };
  }

  /** Works out what one more trouble would change, in one way. */
  private look(run: Run, way: number): void {
    const n = this.thread.points.length;
    shocksOf(n, run.trails, way * n * KEPT, run.shocks, way * n * SHOCK);
  }

  private shockAt(way: number, { at, isStep }: Place): number {
    return shockAt(way * this.thread.points.length * SHOCK, at, isStep);
  }

  /** The logarithm of how likely the readings are in a way with one more trouble; look() must have been there. */
  private evidenceWith(run: Run, way: number, more: Place): number {
    return run.ends[way]!.logEvidence + shockGain(run.shocks, this.shockAt(way, more), this.varianceOf(more));
  }

  /** Takes the explanations of a thread without trouble. */
  takePlain(run: Run): void {
    const logTrouble = this.logOf(run.trouble);
    this.ways.forEach(({ logShare }, way) => {
      this.all.push({ way, run, more: null, log: logShare + logTrouble + run.ends[way]!.logEvidence });
    });
  }

  /** The best way of a run by a straight line and ordinary scatter: a wide scatter or a wandering drift would hide what is off. */
  plainest(run: Run): number {
    const plain = ({ motion }: Way) => motion.scatter === 1 && motion.wander === 0;
    const isTried = this.ways.some(plain) ? plain : () => true;
    const likely = (way: number) => this.ways[way]!.logShare + run.ends[way]!.logEvidence;
    return this.ways.reduce(
      (best, its, way) => (isTried(its) && (best < 0 || likely(way) > likely(best)) ? way : best),
      -1,
    );
  }

  /** The troubles with one more that would explain the thread best, tried with a few ways of wearing and ordinary scatter. */
  private likeliest(run: Run, plain: number): OneMore[] {
    const troubles = placesOfOneMore(run.trouble, this.thread.points);
    if (troubles.length > MOST_WEIGHED) {
      const tried: number[] = [];
      this.ways.forEach(({ drift, motion }, way) => {
        if (way === plain || (drift < 2 && motion.scatter === 1)) tried.push(way);
      });
      for (const one of troubles)
        for (const way of tried) one.log = Math.max(one.log, this.evidenceWith(run, way, one));
      troubles.sort((a, b) => b.log - a.log).length = MOST_WEIGHED;
    }
    return troubles.map(({ at, isStep }) => ({ at, isStep, trouble: withOneMore(run.trouble, at, isStep) }));
  }

  /** Takes the explanations of a run with one more trouble in it; the likeliest of those, if it beats `least`. */
  takeOneMore(run: Run, plain: number, least: number): { trouble: Trouble; log: number } | null {
    for (let way = 0; way < this.ways.length; way += 1) this.look(run, way);
    let next: { trouble: Trouble; log: number } | null = null;
    for (const more of this.likeliest(run, plain)) {
      const logTrouble = this.logOf(more.trouble);
      let best = -Infinity;
      for (let way = 0; way < this.ways.length; way += 1) {
        const log = this.ways[way]!.logShare + logTrouble + this.evidenceWith(run, way, more);
        if (log < Math.max(best, least) - TOO_UNLIKELY) continue;
        this.all.push({ way, run, more, log });
        if (log > best) best = log;
      }
      if (best > (next?.log ?? least)) next = { trouble: more.trouble, log: best };
    }
    return next;
  }

  /** An explanation with its weight. */
  explanation({ way, run, more }: Weighed, weight: number): Explanation {
    const { drift, scatter } = this.ways[way]!;
    const end = run.ends[way]!;
    if (more === null) return { weight, drift, scatter, trouble: run.trouble, end };
    const points = this.thread.points.length;
    const { trails: trail, shocks } = run;
    const from = { points, trail, place: way * points * KEPT, shocks, numbers: this.shockAt(way, more) };
    const shocked = shockedEnd(end, more, this.varianceOf(more), from);
    return { weight, drift, scatter, trouble: more.trouble, end: shocked };
  }
}

/** Every place of a thread for one more odd reading, or for a step before it, and room for how well it explains. */
function placesOfOneMore(trouble: Trouble, points: readonly FollowPoint[]): (Place & { log: number })[] {
  const places: (Place & { log: number })[] = [];
  for (let at = 0; at < points.length; at += 1) {
    if (trouble.odd.includes(at) || trouble.steps.includes(at)) continue;
    places.push({ at, isStep: false, log: -Infinity });
    // A step lies between two visits, not between two readings of one.
    if (at > 0 && points[at]!.years > points[at - 1]!.years) places.push({ at, isStep: true, log: -Infinity });
  }
  return places;
}

const withOneMore = ({ odd, steps }: Trouble, at: number, isStep: boolean): Trouble =>
  isStep ? { odd, steps: [...steps, at] } : { odd: [...odd, at], steps };

function explainAll(thread: ReadyThread, prior: ThreadPrior): Weighing {
  const weighing = new Weighing(thread, prior);
  let run = weighing.run(NO_TROUBLE);
  weighing.takePlain(run);
  let best = weighing.all.reduce((top, { log }) => Math.max(top, log), -Infinity);
  for (let found = 0; found < MOST_TROUBLES && thread.points.length >= LEAST_FOR_TROUBLE; found += 1) {
    const plain = weighing.plainest(run);
    if (run.ends[plain]!.worstSurprise < LOOK_FROM) break;
    const next = weighing.takeOneMore(run, plain, best);
    if (next === null) break;
    best = next.log;
    if (found + 1 < MOST_TROUBLES) run = weighing.run(next.trouble);
  }
  return weighing;
}

/**
 * Explains a thread in every way its prior knows, with the troubles that make its readings likelier, each with its weight by
 * Bayes' rule; what weighs next to nothing is left out. There must be at least one point.
 */
export function explainThread(thread: ReadyThread, prior: ThreadPrior): Explanation[] {
  const weighing = explainAll(thread, prior);
  const { all } = weighing;
  let top = -Infinity;
  for (const { log } of all) if (log > top) top = log;
  const weights = all.map(({ log }) => Math.exp(log - top));
  const least = WEIGHT_WORTH_KEEPING * weights.reduce((sum, weight) => sum + weight, 0);
  const rest = weights.reduce((sum, weight) => (weight >= least ? sum + weight : sum), 0);
  const kept: Explanation[] = [];
  all.forEach((weighed, i) => {
    if (weights[i]! >= least) kept.push(weighing.explanation(weighed, weights[i]! / rest));
  });
  return kept;
}
