import type { Because } from './reasons.ts';
import type { Standing } from './standing.ts';

/** What a judgment rests on. */
export type Basis = 'technician' | 'state' | 'plate' | 'baseline' | 'trend' | 'finding' | 'cross-check' | 'together';

/** One of the ways a reading was judged, as data. */
export interface Judgment {
  readonly basis: Basis;
  readonly standing: Standing;
  /** The limit it was held against, in the reading's unit; null when there is none. */
  readonly limit: number | null;
  readonly because: Because;
}
