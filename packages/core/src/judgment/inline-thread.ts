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
    points: numeric.compared.map((c) => ({ day: c.reading.day, value: c.value })),
    limit: !limits.known ? null : wearSide ? limits[wearSide] : (plate?.limit ?? null),
    baseline: numeric.baseline?.value ?? null,
    ahead: ahead && {
      day: ahead.day,
      ...(ahead.now === undefined ? {} : { now: ahead.now }),
      expected: ahead.expected,
      low80: ahead.low80,
      high80: ahead.high80,
    },
  };
}
