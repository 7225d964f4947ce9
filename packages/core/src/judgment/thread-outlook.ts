import { componentsFor, type Component, type Point } from '../equipment/component.ts';
import { isTwoStage, type Plate } from '../equipment/plate.ts';
import { SYSTEM_KINDS, type SystemKind } from '../equipment/system-kind.ts';
import type { Day } from '../quantity/day.ts';
import type { About } from '../readings/contract/entry.ts';
import { threadClassOf, type NumericKind } from '../readings/contract/kind.ts';
import { metersOf } from '../readings/contract/meters.ts';
import { OFFSETS, type MeterQuantity } from '../readings/contract/quantities.ts';
import type { ThreadReading } from '../readings/contract/reading.ts';
import { numericKind } from '../readings/registry.ts';
import type { FleetPrior } from '../series/drift-prior.ts';
import { fitThread } from '../series/fit-thread.ts';
import { LevelsAhead } from '../series/levels-ahead.ts';
import type { ReadyThread } from '../series/thread-shape.ts';
import type { MeterCheck } from '../series/meter-checks.ts';
import { canTeach, learnFleet } from '../series/learn-prior.ts';
import type { Ahead } from '../series/ahead.ts';
import type { Crossing } from '../series/outlook.ts';
import { upTo } from '../series/ready-thread.ts';
import type { Judgment } from '../verdict/judgment.ts';
import { DEFAULT_POLICY, type Policy } from '../verdict/policy.ts';
import { policyFor } from '../verdict/schools.ts';
import { worstOf, type Standing } from '../verdict/standing.ts';
import { judgeByTrend, priorFor } from './by-trend.ts';
import type { SystemEvent } from './events.ts';
import { prepareSeries, type PreparedSeries } from './prepare-series.ts';

/** A thread as it comes from anywhere: what it is of, and its readings. */
export interface Thread {
  /** A reading kind's id, "run-capacitor-capacitance". */
  readonly kind: string;
  readonly plate: Plate;
  readonly readings: readonly ThreadReading[];
  /** Where on the part; the kind's first point on such a plate unless given. */
  readonly point?: Point | undefined;
  /** The system and the part, where they are known; otherwise the first that has such a part. */
  readonly systemKind?: SystemKind | undefined;
  readonly component?: Component | undefined;
  /** The day this life of the part began; null when it is not known. */
  readonly fittedOn?: Day | null | undefined;
  readonly events?: readonly SystemEvent[] | undefined;
}

export interface ThreadOutlook {
  readonly outcome: 'outlook';
  /** On the day asked for, kind's unit under its common conditions; null when nothing can be forecast yet. */
  readonly expected: number | null;
  readonly low80: number | null;
  readonly high80: number | null;
  /** 0 to 1; null without a limit or a forecast. */
  readonly chancePastLimit: number | null;
  /** Days at which that chance is 10, 50 and 90 %. */
  readonly crossing: Crossing | null;
  /** That chance from the last reading on; null where it is small until the day asked for. */
  readonly ahead: Ahead | null;
  readonly standing: Standing;
  readonly reasons: readonly Judgment[];
}

export interface NoThreadOutlook {
  readonly outcome: 'cannot-say';
  readonly because: 'unknown-kind' | 'no-such-part' | 'no-readings' | 'not-a-number';
}

/** What a thread is about, or null when no system has such a part. */
function aboutOfThread(kind: NumericKind, thread: Thread): About | null {
  const kinds = thread.systemKind ? [thread.systemKind] : SYSTEM_KINDS;
  for (const systemKind of kinds) {
    const part = thread.component ?? componentsFor(systemKind, thread.plate).find((p) => p.kind === kind.component);
    if (!part) continue;
    const component: Component = { ...part, fittedOn: thread.fittedOn ?? thread.component?.fittedOn ?? null };
    const where = { systemKind, plate: thread.plate, component };
    const point = thread.point ?? kind.methods.flatMap((m) => m.points(where))[0];
    if (point) return { ...where, point };
  }
  return null;
}

function prepare(thread: Thread, policy: Policy, prior?: FleetPrior): PreparedSeries | NoThreadOutlook {
  const kind = numericKind(thread.kind);
  if (!kind) return { outcome: 'cannot-say', because: 'unknown-kind' };
  const about = aboutOfThread(kind, thread);
  if (!about) return { outcome: 'cannot-say', because: 'no-such-part' };
  if (thread.readings.length === 0) return { outcome: 'cannot-say', because: 'no-readings' };
  if (thread.readings.some((r) => !Number.isFinite(r.value) || !Number.isFinite(r.day)))
    return { outcome: 'cannot-say', because: 'not-a-number' };
  return prepareSeries(kind, thread.readings, about, policyFor(about.component, policy), thread.events, prior?.meters);
}

/**
 * Where a part was believed to be at each of its readings, from those up to it: one value a day, kind's unit under common
 * conditions. Two methods on one visit that differ make one belief, and an odd reading hardly moves it. Empty where nothing
 * can be said.
 */
export function believedThrough(
  thread: Thread,
  policy: Policy = DEFAULT_POLICY,
  prior?: FleetPrior,
): { readonly day: Day; readonly value: number }[] {
  const prepared = prepare(thread, policy, prior);
  if ('outcome' in prepared) return [];
  const { kind, about, ready, reference, compared } = prepared;
  const held = priorFor(kind, about.point, prior);
  const byDay = new Map<Day, number>();
  for (const [index, { reading }] of compared.entries()) {
    const fit = fitThread(upTo(ready, index + 1), held);
    const value = fit ? reference * new LevelsAhead(fit).meanAt(0) : NaN;
    if (Number.isFinite(value)) byDay.set(reading.day, value);
  }
  return [...byDay].map(([day, value]) => ({ day, value }));
}

/** A thread made ready to be learned from, with its class; null when it cannot be said what it is of. */
export function readyToLearn(thread: Thread, policy: Policy): { threadClass: string; ready: ReadyThread } | null {
  const prepared = prepare(thread, policy);
  if ('outcome' in prepared || prepared.kind.wear === 'none') return null;
  const { reference, compared, ready, about, speed } = prepared;
  // Read on a stage that nobody noted, it teaches how stages differ, not how a part wears.
  if (isTwoStage(about.plate) && speed === 'unknown') return null;
  const pulls = compared.map(({ meters }) =>
    meters.map(({ quantity, name, power, adds }) => ({ quantity, name, power, adds: adds / reference })),
  );
  const isMetered = pulls.some((p) => p.length > 0);
  return {
    threadClass: threadClassOf(prepared.kind, prepared.about.point),
    ready: isMetered ? { ...ready, pulls } : ready,
  };
}

/** No more than this many threads of a class are learned from: more would teach the same. */
const MOST_TO_LEARN_FROM = 800;

/** Of a long list so many as evenly spaced, the same each time. */
export function someOf<T>(all: readonly T[], most: number): readonly T[] {
  if (all.length <= most) return all;
  return Array.from({ length: most }, (_, i) => all[Math.floor((i * all.length) / most)]!);
}

/**
 * What a firm's own threads teach of each class of part: how many hold, drift, go fast or bend, how their readings
 * scatter, and how often one is odd or a part steps; and of each meter (`instrument` of the readings) how far it was off, and
 * when. Pass it to threadOutlook or judge. Threads of unknown kinds, or
 * without a reading, are left out; at most MOST_TO_LEARN_FROM of a class count, evenly spaced.
 * `checks` are meters held against something known: without any, what all meters of a firm are off by alike stays unknown.
 * Empirical Bayes and a mixed model; see learnFleet.
 */
export function learnPrior(
  threads: readonly Thread[],
  policy: Policy = DEFAULT_POLICY,
  checks: readonly MeterCheck[] = [],
): FleetPrior {
  const byClass: Record<string, { spec: NumericKind; threads: ReadyThread[] }> = {};
  for (const thread of threads) {
    const kind = numericKind(thread.kind);
    const learned = kind && readyToLearn(thread, policy);
    if (!kind || !learned) continue;
    (byClass[learned.threadClass] ??= { spec: kind, threads: [] }).threads.push(learned.ready);
  }
  return learnFromClasses(byClass, checks);
}

/** Which of two threads comes first, whatever order they were given in. */
function byContent(a: ReadyThread, b: ReadyThread): number {
  if (a.points.length !== b.points.length) return a.points.length - b.points.length;
  for (const [i, p] of a.points.entries()) {
    const q = b.points[i]!;
    if (p.years !== q.years) return p.years - q.years;
    if (p.value !== q.value) return p.value - q.value;
  }
  return 0;
}

/** Classes with the same group share meters, and are learned together; every other class is a group of its own. */
export function learningGroupOf(kind: NumericKind, threadClass: string): string {
  const quantities = kind.methods.flatMap((m) => metersOf(m).map((share) => OFFSETS[share.of]));
  return quantities.length === 0 ? threadClass : quantities[0]!.offsetIn;
}

/** What threads that were made ready teach, by class; the order they come in changes nothing. */
export const learnFromClasses = (
  classes: Readonly<Record<string, { readonly spec: NumericKind; readonly threads: readonly ReadyThread[] }>>,
  checks: readonly MeterCheck[] = [],
): FleetPrior =>
  learnFleet(
    Object.fromEntries(
      Object.entries(classes).map(([name, { spec, threads }]) => [
        name,
        { spec, threads: someOf(threads.filter(canTeach).sort(byContent), MOST_TO_LEARN_FROM) },
      ]),
    ),
    (quantity) => OFFSETS[quantity as MeterQuantity].spread,
    checks,
  );

/**
 * Where a thread will stand on a day (`at`, days since 1970; normally the next round): the expected value and the range
 * that holds it with 80 % chance (kind's unit, common conditions), the chance of being past its limit, the days of
 * crossing, and how it stands by its trend alone, with the reasons as data (say them with sayReason).
 *
 * Each reading carries value (kind's unit), day, method and, if known, conditions such as outdoorF (°F) and lineVolts
 * (V), and `instrument`, what it was read with: a name, or names by kind of instrument. `prior` is what learnPrior made of the firm's threads; without it the kind's starting figures stand.
 * With one reading nothing is forecast; with fewer than the policy's least it never says 'act'. The order of readings
 * does not matter. 'cannot-say' for unknown kinds, parts a plate has not, no readings, or values that are not finite.
 */
export function threadOutlook(
  asked: Thread & { readonly policy?: Policy; readonly prior?: FleetPrior | undefined; readonly at: Day },
): ThreadOutlook | NoThreadOutlook {
  const policy = asked.policy ?? DEFAULT_POLICY;
  const prepared = prepare(asked, policy, asked.prior);
  if ('outcome' in prepared) return prepared;
  const { judgments, outlook } = judgeByTrend(prepared, { prior: asked.prior, nextRound: asked.at, policy });
  return {
    outcome: 'outlook',
    expected: outlook?.expected ?? null,
    low80: outlook?.low80 ?? null,
    high80: outlook?.high80 ?? null,
    chancePastLimit: outlook?.chancePastLimit ?? null,
    crossing: outlook?.crossing ?? null,
    ahead: outlook?.ahead ?? null,
    standing: worstOf(judgments.map((j) => j.standing)),
    reasons: judgments,
  };
}
