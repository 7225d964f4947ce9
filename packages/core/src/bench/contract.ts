import type { ReadingKindId } from '../readings/contract/kind-ids.ts';
import type { Caution } from '../round/cautions.ts';

/** One thing a sum asks for: a number in a unit with its bounds, a choice, or a text. */
export type BenchInput = { readonly id: string; readonly label: string; readonly usual?: string } & (
  | {
      readonly type: 'number';
      readonly unit: string;
      readonly low: number;
      readonly high: number;
      /** True where the sum can do without it. */
      readonly optional?: true;
    }
  | { readonly type: 'choice'; readonly choices: readonly (readonly [value: string, label: string])[] }
  | { readonly type: 'text' }
);

/** Inputs that were read: numbers by id, NaN where an optional one was left out; texts and choices as they are. */
export interface BenchValues {
  readonly number: (id: string) => number;
  readonly text: (id: string) => string;
}

/** What a sum comes to: the figure, the formula with the numbers in it, what else follows, and what is doubtful. */
export type BenchResult =
  | {
      readonly outcome: 'value';
      readonly result: string;
      readonly formula: string;
      readonly also?: readonly string[];
      readonly doubts?: readonly string[];
    }
  | { readonly outcome: 'cannot-say'; readonly why: string };

/** A piece of the trade's arithmetic that needs no system. */
export interface BenchSum {
  readonly id: string;
  readonly title: string;
  /** What it is for, in a sentence. */
  readonly says: string;
  readonly inputs: readonly BenchInput[];
  readonly work: (values: BenchValues) => BenchResult;
  /** The reading that what was typed makes on a system: its kind and method, and the input each of these is there. */
  readonly hands?: {
    readonly kind: ReadingKindId;
    readonly method: string;
    readonly inputs: Readonly<Record<string, string>>;
  };
  /** What to mind while it is measured. */
  readonly cautions?: readonly Caution[];
  /** Where the formula is from. */
  readonly source: string;
}

/** A sum that cannot be worked out, and why. */
export const cannotSay = (why: string): BenchResult => ({ outcome: 'cannot-say', why });
/** A figure as it stands in a formula. */
export const plain = (value: number, digits = 4): string => String(Number(value.toPrecision(digits))).replace('-', '−');

/** An input that is a number. */
export const number = (
  id: string,
  label: string,
  unit: string,
  [low, high]: readonly [number, number],
  rest: { readonly usual?: string; readonly optional?: true } = {},
): BenchInput => ({ type: 'number', id, label, unit, low, high, ...rest });

/** The altitude that thins the air, where it is known. */
export const altitude = number('altitude', 'Altitude', 'ft', [-1000, 14_000], { optional: true });
/** The altitude that was typed, ft; undefined, which is sea level, where none was. */
export function altitudeFtOf({ number: of }: BenchValues): number | undefined {
  const typed = of('altitude');
  return Number.isNaN(typed) ? undefined : typed;
}
