import type { InlineThreadData } from '../http/watch.ts';
import type { JudgedReading } from './judge.ts';
import type { ThreadState } from './thread-state.ts';

/** What an inline thread is drawn from: its numbers in order as compared, limit, baseline and the range at the next round. */
export function inlineThread(readings: readonly JudgedReading[], state: ThreadState): InlineThreadData {
  const compared = state.numeric?.compared.map((c) => ({ day: c.reading.day, value: c.value }));
  const points =
    compared ??
    readings
      .filter((r) => r.value !== null)
      .map((r) => ({ day: r.day, value: r.value ?? 0 }))
      .sort((a, b) => a.day - b.day);
  const ahead = state.numeric?.outlook ?? null;
  const limits = state.numeric?.commonLimits;
  const plate = state.numeric?.reasons.find((r) => r.basis === 'plate');
  const trend = state.reasons.find((r) => r.because.code === 'trend')?.because;
  const wearSide = trend?.code === 'trend' ? trend.numbers.side : ahead?.crossing?.side;
  const limit = !limits?.known ? null : wearSide ? limits[wearSide] : (plate?.limit ?? null);
  return {
    points,
    limit,
    baseline: state.numeric?.baseline?.value ?? null,
    ahead: ahead && {
      day: ahead.day,
      ...(ahead.now === undefined ? {} : { now: ahead.now }),
      expected: ahead.expected,
      low80: ahead.low80,
      high80: ahead.high80,
    },
  };
}
