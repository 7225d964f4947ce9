import type { Policy } from '../verdict/policy.ts';
import { dayOf, isoOf, type Day } from '../quantity/day.ts';

/** A round this soon after the last one is that same round, days. */
const SAME_ROUND_WITHIN = 60;

/**
 * The day of the next round after a day: the middle of the first of the policy's round months at least 60 days ahead.
 * nextRoundAfter(dayOf('2026-11-25'), DEFAULT_POLICY) is April 15, 2027.
 */
export function nextRoundAfter(day: Day, policy: Policy): Day {
  const year = Number(isoOf(day).slice(0, 4));
  const months = [...policy.roundMonths].sort((a, b) => a - b);
  const days = [year, year + 1, year + 2].flatMap((y) =>
    months.map((m) => dayOf(`${y}-${String(m).padStart(2, '0')}-15`)),
  );
  return days.find((d) => d - day >= SAME_ROUND_WITHIN) ?? day + 182;
}
