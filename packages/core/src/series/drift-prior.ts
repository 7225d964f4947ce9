import type { MetersKnown } from './meters-known.ts';
import type { SeriesSpec } from './spec.ts';

/** One way parts of a class wear: some hold, some drift, some go fast, some begin to bend. Shares of the reference. */
export interface DriftClass {
  /** Share of parts that wear this way, 0 to 1. */
  readonly share: number;
  /** Drift a year as a share of the reference: mean and standard deviation. */
  readonly mean: number;
  readonly sd: number;
  /** How much the drift itself may change, share a year per √year; 0 for a straight line. */
  readonly wander: number;
}

/** How readings scatter beside the stated meter error: some threads less, some more. */
export interface ScatterClass {
  readonly share: number;
  /** Multiple of the stated standard deviation. */
  readonly factor: number;
}

/** What is known of the parts of one class before one of them has shown anything itself. */
export interface ThreadPrior {
  readonly classes: readonly DriftClass[];
  readonly scatter: readonly ScatterClass[];
  /** Level as fitted, as a share of the reference; null when it is not known. */
  readonly asFitted: { readonly mean: number; readonly sd: number } | null;
  /** Chance that a reading is a slip or a bad contact. */
  readonly oddChance: number;
  /** Chance that something happens to the part between two visits that is not wear. */
  readonly stepChance: number;
  /** Which way wear goes: −1, 1, or 0 for either. */
  readonly towards: -1 | 0 | 1;
  /** How machines of the class answer weather beside what is usual; left out where too few have shown it. */
  readonly weather?: { readonly mean: number; readonly sd: number } | undefined;
  /** Threads it was learned from; 0 for the figures a kind starts with. */
  readonly threads: number;
}

/** The firm's own experience: of each class of thread (see threadClassOf), and of the meters its readings came from. */
export interface FleetPrior {
  readonly classes: Readonly<Record<string, ThreadPrior>>;
  readonly meters: MetersKnown;
}

/** How far an odd reading and a step are from where the part was, as a share of the reference, standard deviation. */
export const ODD_SPREAD = 15;
export const STEP_SPREAD = 7;
/** How unknown a level is that nothing is known of, in yearly drifts. */
export const LEVEL_SPREAD = 20;

/**
 * What a class is taken to be before the fleet has taught anything, from its own drift figures. Common practice,
 * no source: most parts hold, a quarter drift, a tenth go fast, a few begin slowly and then bend.
 */
export function startingPrior(spec: SeriesSpec): ThreadPrior {
  const known = startingPriors.get(spec) ?? startingPriorOf(spec);
  startingPriors.set(spec, known);
  return known;
}

const startingPriors = new WeakMap<SeriesSpec, ThreadPrior>();

function startingPriorOf(spec: SeriesSpec): ThreadPrior {
  const { meanShare, sdShare } = spec.driftPrior;
  const towards = spec.wear === 'falls' ? -1 : spec.wear === 'rises' ? 1 : 0;
  return {
    classes: [
      { share: 0.58, mean: 0.2 * meanShare, sd: 0.25 * sdShare, wander: 0 },
      { share: 0.24, mean: meanShare + towards * 0.5 * sdShare, sd: 0.6 * sdShare, wander: 0 },
      { share: 0.1, mean: meanShare + towards * 1.8 * sdShare, sd: sdShare, wander: 0 },
      { share: 0.05, mean: meanShare + towards * 0.3 * sdShare, sd: 0.6 * sdShare, wander: sdShare },
      { share: 0.03, mean: meanShare + towards * 0.5 * sdShare, sd: 0.8 * sdShare, wander: 2.5 * sdShare },
    ],
    scatter: [
      { share: 0.25, factor: 0.7 },
      { share: 0.5, factor: 1 },
      { share: 0.2, factor: 1.6 },
      { share: 0.05, factor: 2.8 },
    ],
    asFitted: null,
    oddChance: 0.01,
    stepChance: 0.01,
    towards,
    threads: 0,
  };
}

/** Mean and variance of the drift of a mixture of ways. */
export function driftOf(classes: readonly DriftClass[]): { mean: number; variance: number } {
  const mean = classes.reduce((sum, c) => sum + c.share * c.mean, 0);
  return { mean, variance: classes.reduce((sum, c) => sum + c.share * (c.sd ** 2 + (c.mean - mean) ** 2), 0) };
}
