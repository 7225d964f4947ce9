import type { Ahead } from './ahead.ts';

/** The value a thread may not fall below or rise above; either side may be missing. */
export interface Limit {
  readonly lower?: number | null | undefined;
  readonly upper?: number | null | undefined;
}

/** Whether a side of the limits is not there. */
export const isOpen = (side: number | null | undefined): side is null | undefined =>
  side === null || side === undefined;

/** When a thread is likely to cross its limit: days at which the chance of being past it is 10, 50 and 90 %. */
export interface Crossing {
  readonly side: 'lower' | 'upper';
  /** Each is null when that chance is not reached within the horizon. */
  readonly earliest: number | null;
  readonly likely: number | null;
  readonly latest: number | null;
}

export interface Outlook {
  /** Where the part is believed to be at its last reading, kind's unit; absent from a plain straight line. */
  readonly now?: number;
  readonly day: number;
  /** Expected value on that day, and the range that holds it with 80 % chance; the thread's unit. */
  readonly expected: number;
  readonly low80: number;
  readonly high80: number;
  /** Chance, 0 to 1, of being past the limit on that day; null when there is no limit. */
  readonly chancePastLimit: number | null;
  readonly crossing: Crossing | null;
  /** The chance from the last reading on; null or absent where it is small for long. */
  readonly ahead?: Ahead | null;
}
