import type { Point } from '../equipment/component.ts';
import type { Day } from '../quantity/day.ts';
import { isCounted, isNumeric, type JudgedReading } from '../readings/contract/reading.ts';
import type { Judgment } from '../verdict/judgment.ts';
import type { Policy } from '../verdict/policy.ts';
import { severityOf, type Standing } from '../verdict/standing.ts';
import { judge, type JudgeContext, type NumericPart, type Verdict } from './judge.ts';
import { chanceOf, urgencyOf } from './urgency.ts';

/** A thread as it stands after all its readings. */
export interface ThreadState {
  readonly kind: string;
  readonly point: Point;
  readonly standing: Standing;
  /** The reason that decides. */
  readonly lead: Judgment;
  readonly reasons: readonly Judgment[];
  /** What judging the latest number looked at; null when there are only findings. */
  readonly numeric: NumericPart | null;
  readonly lastDay: Day;
  readonly lastValue: number | null;
  readonly chance: number;
  readonly urgency: number;
}

/** What a whole thread is judged in the light of; the companions are those of its latest reading's visit. */
export type ThreadContext = Omit<JudgeContext, 'earlier'>;

/** Readings of one thread in order of time; readings of one day keep the order they came in. */
const inOrder = (readings: readonly JudgedReading[]): JudgedReading[] => [...readings].sort((a, b) => a.day - b.day);

/** A number that tells of the part: it counts, or it condemns it. */
const isTelling = (r: JudgedReading): boolean => isNumeric(r) && (isCounted(r) || r.read?.says === 'condemned');

/**
 * What each method found last, a number that tells nothing of the part among it. A method that has read a telling one since no
 * longer stands for what it found before.
 */
function latestFindings(readings: readonly JudgedReading[]): JudgedReading[] {
  const byMethod = new Map<string, JudgedReading>();
  for (const r of readings) byMethod.set(r.method, r);
  return [...byMethod.values()].filter((r) => !isTelling(r));
}

/**
 * Where a thread stands: the verdict on its latest number, and on the finding of each method that ended with one, the worst of them
 * leading. `readings` are those of one component, kind and point, superseded ones left out, same-day ones in the order
 * they were taken. Null without readings.
 */
export function threadState(
  readings: readonly JudgedReading[],
  context: ThreadContext,
  policy: Policy,
): ThreadState | null {
  const ordered = inOrder(readings);
  const numbers = ordered.filter(isNumeric).filter(isTelling);
  const last = numbers.at(-1);
  const number = last ? judge(last, { earlier: numbers.slice(0, -1), ...context }, policy) : null;
  const alone = { earlier: [], ...context };
  const findings = latestFindings(ordered).map((r) => judge(r, alone, policy));
  // What proves nothing takes nothing away from a number that does.
  const telling =
    number && number.standing !== 'unproven' ? findings.filter((f) => f.standing !== 'unproven') : findings;
  const verdicts = [...(number ? [number] : []), ...telling];
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
    numeric: number?.numeric ?? null,
    lastDay: newest.day,
    lastValue: last?.value ?? null,
    chance: chanceOf(reasons),
    urgency: urgencyOf(reasons, context.component.slot, newest.point, context),
  };
}
