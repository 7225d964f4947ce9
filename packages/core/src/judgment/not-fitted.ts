import type { JudgedReading } from '../readings/contract/reading.ts';
import type { ThreadState } from './thread-state.ts';

/** How a thread stands that cannot be judged: unproven, with the reason, and costing nothing else on the page its place. */
export const notFitted = ({ kind, point, day }: JudgedReading): ThreadState => {
  const lead = {
    basis: 'finding',
    standing: 'unproven',
    limit: null,
    because: { code: 'not-fitted', numbers: { kind } },
  } as const;
  const nothing = { numeric: null, lastValue: null, chance: 0, urgency: 0 };
  return { kind, point, standing: lead.standing, lead, reasons: [lead], lastDay: day, ...nothing };
};

const isFiniteOrNull = (value: unknown): boolean => typeof value !== 'number' || Number.isFinite(value);

/** No quantity of the trade is as large in its unit. */
const BEYOND_RECKONING = 1e12;

/** Whether every figure that a thread's state would show or be sorted by is a number at all. */
export function isWhole({ chance, urgency, reasons, numeric }: ThreadState): boolean {
  const ahead = numeric?.outlook;
  return (
    [chance, urgency, ahead?.expected, ahead?.low80, ahead?.high80, numeric?.baseline?.value].every(isFiniteOrNull) &&
    (numeric?.compared ?? []).every((c) => Math.abs(c.value) < BEYOND_RECKONING) &&
    reasons.every((r) => isFiniteOrNull(r.limit) && Object.values(r.because.numbers).every(isFiniteOrNull))
  );
}

/** A thread's state as it was judged, or set aside as one that cannot be: whatever stands in the record, a page gets its threads. */
export function judgedOrSetAside(newest: JudgedReading, judge: () => ThreadState | null): ThreadState | null {
  try {
    const state = judge();
    return state === null || isWhole(state) ? state : notFitted(newest);
  } catch {
    return notFitted(newest);
  }
}
