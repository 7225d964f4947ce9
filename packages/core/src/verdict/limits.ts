import type { Because } from './reasons.ts';
import type { Rule } from './rules.ts';

/** The limits a value is judged by, in its unit, or why there are none. */
export type Limits =
  | {
      readonly known: true;
      readonly family: 'rating' | 'rated-load' | 'nominal-volts' | 'window';
      readonly nominal: number;
      readonly lower: number | null;
      readonly upper: number | null;
      /** Where watching begins, between nominal and limit; null for a side that is not watched. */
      readonly watchLower: number | null;
      readonly watchUpper: number | null;
      /** For the rated-load family. */
      readonly figure?: 'RLA' | 'FLA' | undefined;
      readonly derived?: boolean | undefined;
      /** Spans above the first figure and up to the second in which nothing can be said, since the limit itself is not certain. */
      readonly open?: readonly (readonly [above: number, upTo: number])[] | undefined;
      /** For the window family: what the limits are of. */
      readonly rule?: Rule | undefined;
    }
  | { readonly known: false; readonly because: Because };
