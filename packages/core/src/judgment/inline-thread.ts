import type { ThreadState } from './thread-state.ts';

/** What an inline thread is drawn from: days since 1970, kind's unit. */
export interface InlineThreadData {
  readonly points: readonly { readonly day: number; readonly value: number }[];
  readonly limit: number | null;
  readonly baseline: number | null;
  readonly ahead: {
    readonly day: number;
    /** Where the part is believed to be at its last reading; the range ahead begins there. */
    readonly now?: number | undefined;
    readonly expected: number;
    readonly low80: number;
    readonly high80: number;
  } | null;
}

/** Finer than any drawing; a Watch of many rows is a third shorter on the line for it. */
const DIGITS_DRAWN = 6;
const drawn = (value: number): number => Number(value.toPrecision(DIGITS_DRAWN));

/** A thread without a number. */
export const NO_THREAD: InlineThreadData = { points: [], limit: null, baseline: null, ahead: null };

/** What an inline thread is drawn from: its numbers in order as compared, limit, baseline and the range at the next round. */
export function inlineThread({ numeric, reasons }: ThreadState): InlineThreadData {
  if (!numeric) return NO_THREAD;
  const { outlook: ahead, commonLimits: limits } = numeric;
  const plate = reasons.find((r) => r.basis === 'plate');
  const trend = reasons.find((r) => r.because.code === 'trend')?.because;
  const wearSide = trend?.code === 'trend' ? trend.numbers.side : ahead?.crossing?.side;
  return {
    points: numeric.compared.map((c) => ({ day: c.reading.day, value: drawn(c.value) })),
    limit: !limits.known ? null : wearSide ? limits[wearSide] : (plate?.limit ?? null),
    baseline: numeric.baseline ? drawn(numeric.baseline.value) : null,
    ahead: ahead && {
      day: ahead.day,
      ...(ahead.now === undefined ? {} : { now: drawn(ahead.now) }),
      expected: drawn(ahead.expected),
      low80: drawn(ahead.low80),
      high80: drawn(ahead.high80),
    },
  };
}
