import type { Slot } from '../equipment/component.ts';
import type { Measure } from '../circuit/measure.ts';
import type { Call } from '../trade/controls/call-table.ts';

/** Where one stands for a test. */
export type Spot = 'thermostat' | 'indoors' | 'outdoors';
/** Which state it wants: nothing touched, power off and locked out, or live. */
export type Power = 'any' | 'off' | 'live';

/** One of the answers that are told apart: a span of figures, or words. */
export type Answer =
  | { readonly id: string; readonly from: number; readonly below: number }
  | { readonly id: string; readonly says: string };

/** The reading of the registry that a test is. */
export interface TestReading {
  readonly kind: string;
  readonly slot: Slot;
  readonly point: string;
  readonly method: string;
}

/** One test: a measure, what it costs, and the answers that are told apart. */
export interface Test {
  /** Its reading's kind, point and method. */
  readonly id: string;
  readonly measure: Measure;
  readonly reading: TestReading;
  readonly spot: Spot;
  readonly power: Power;
  /** The call that is held while it is taken; null where none is. */
  readonly call: Call | null;
  /** Minutes at the spot, in that state. */
  readonly minutes: number;
  /** True where the machine must have run until it settled. */
  readonly settled: boolean;
  /** Standard deviation of the reading: a share of it, and a floor in its unit. */
  readonly share: number;
  readonly floor: number;
  /** The answers; null where they are whatever the causes predict. */
  readonly answers: readonly Answer[] | null;
  /** The answer of a sound machine whose compressor an off-timer still holds; left out where it is the same as without. */
  readonly held?: string;
}
