import type { Point } from '../equipment/component.ts';
import type { Day } from '../quantity/day.ts';
import type { ThreadReading } from '../trend/ready-thread.ts';
import { judge, type JudgeContext, type JudgedReading, type Verdict } from './judge.ts';
import type { Judgement } from './judgement.ts';
import type { Policy } from './policy.ts';
import { severityOf, type Standing } from './standing.ts';
import { chanceOf, urgencyOf } from './urgency.ts';

/** A thread as it stands after all its readings. */
export interface ThreadState {
  readonly kind: string;
  readonly point: Point;
  readonly standing: Standing;
  /** The reason that decides. */
  readonly lead: Judgement;
  readonly reasons: readonly Judgement[];
  /** Verdict of the latest number; null when there are only findings. */
  readonly numeric: Verdict | null;
  readonly lastDay: Day;
  readonly lastValue: number | null;
  readonly chance: number;
  readonly urgency: number;
}

type Context = Omit<JudgeContext, 'earlier' | 'companions'> & {
  /** Companion values on the visit of the latest reading; see JudgeContext. */
  readonly companions?: JudgeContext['companions'];
};

const isNumeric = (r: JudgedReading): r is JudgedReading & { value: number } => r.value !== null;

/** Readings of one thread in order of time; readings of one day keep the order they came in. */
const inOrder = (readings: readonly JudgedReading[]): JudgedReading[] => [...readings].sort((a, b) => a.day - b.day);

/** The numeric readings as points of a thread, in the kind's unit. */
export const threadReadingsOf = (readings: readonly JudgedReading[]): ThreadReading[] =>
  readings
    .filter(isNumeric)
    .map(({ day, value, method, conditions, inputs }) => ({ day, value, method, conditions, inputs }));

function latestFindings(readings: readonly JudgedReading[]): JudgedReading[] {
  const byMethod = new Map<string, JudgedReading>();
  for (const r of readings) if (!isNumeric(r)) byMethod.set(r.method, r);
  return [...byMethod.values()];
}

/**
 * Where a thread stands: the verdict on its latest number, and on the latest finding of each method, the worst of them
 * leading. `readings` are those of one component, kind and point, superseded ones left out, same-day ones in the order
 * they were taken. Null without readings.
 */
export function threadState(readings: readonly JudgedReading[], context: Context, policy: Policy): ThreadState | null {
  const ordered = inOrder(readings);
  const numbers = ordered.filter(isNumeric);
  const last = numbers.at(-1);
  const numeric = last ? judge(last, { ...context, earlier: threadReadingsOf(numbers.slice(0, -1)) }, policy) : null;
  const findings = latestFindings(ordered).map((r) => judge(r, { ...context, earlier: [] }, policy));
  // What proves nothing takes nothing away from a number that does.
  const telling =
    numeric && numeric.standing !== 'unproven' ? findings.filter((f) => f.standing !== 'unproven') : findings;
  const verdicts = [...(numeric ? [numeric] : []), ...telling];
  const newest = ordered.at(-1);
  const lead = verdicts.reduce<Verdict | null>(
    (worst, v) => (worst === null || severityOf(v.standing) > severityOf(worst.standing) ? v : worst),
    null,
  );
  if (!lead || !newest) return null;
  const reasons = verdicts.flatMap((v) => v.reasons);
  return {
    kind: newest.kind,
    point: newest.point,
    standing: lead.standing,
    lead: { basis: lead.basis, standing: lead.standing, limit: lead.limit, because: lead.because },
    reasons,
    numeric,
    lastDay: newest.day,
    lastValue: last?.value ?? null,
    chance: chanceOf(reasons),
    urgency: urgencyOf(reasons, context.component.slot, newest.point, context),
  };
}
