import type { Component, Point } from '../equipment/component.ts';
import type { Plate } from '../equipment/plate.ts';
import type { SystemKind } from '../equipment/system-kind.ts';
import type { Day } from '../quantity/day.ts';
import type { About, Compared, Conditions, Inputs, Limits, ReadingKind } from '../readings/kind.ts';
import { readingKind } from '../readings/registry.ts';
import { threeWireCheck } from '../trade/motor/three-wire-check.ts';
import type { FleetPrior } from '../trend/drift-prior.ts';
import type { ThreadFit } from '../trend/fit-thread.ts';
import { aboutAlike, bringAlike } from '../trend/like-for-like.ts';
import type { Outlook } from '../trend/outlook.ts';
import { compareReadings, type ComparedReading, type ThreadReading } from '../trend/ready-thread.ts';
import { judgeAgainstPlate } from './against-plate.ts';
import { baselineOf, type Baseline } from './baseline.ts';
import { judgeByTrend } from './by-trend.ts';
import { shiftsOf, type SystemEvent } from './events.ts';
import type { Judgement } from './judgement.ts';
import type { Policy } from './policy.ts';
import { severityOf, worstOf, type Standing } from './standing.ts';

/** A reading as it is judged. */
export interface JudgedReading {
  readonly kind: string;
  readonly point: Point;
  readonly method: string;
  /** In the kind's unit; null for a finding. */
  readonly value: number | null;
  readonly finding: string | null;
  readonly day: Day;
  /** What held while it was taken. */
  readonly conditions?: Conditions | undefined;
  readonly inputs?: Inputs | undefined;
}

/** What a reading is judged in the light of. */
export interface JudgeContext {
  readonly systemKind: SystemKind;
  readonly plate: Plate;
  readonly component: Component;
  /** Earlier readings of the same thread (kind, point, this life of the part), superseded ones left out, any order. */
  readonly earlier: readonly ThreadReading[];
  /** The day of the next round. */
  readonly nextRound: Day;
  /** What the firm's own fleet has taught of each class of thread; without it each kind's starting figures stand. */
  readonly prior?: FleetPrior | undefined;
  /** What was done to the system. */
  readonly events?: readonly SystemEvent[] | undefined;
  /** Values of the same kind at the part's other points on the same visit. */
  readonly companions?: Partial<Record<Point, number>> | undefined;
}

/** A verdict: the worst of its judgements first, then all of them. */
export interface Verdict extends Judgement {
  readonly value: number | null;
  readonly reasons: readonly Judgement[];
  readonly baseline: Baseline | null;
  readonly fit: ThreadFit | null;
  readonly outlook: Outlook | null;
  /** As read: under the conditions of this reading. */
  readonly limits: Limits;
  /** Under the kind's common conditions: what compared values and the forecast are held against. */
  readonly commonLimits: Limits;
  /** The thread as compared, in order of time, and which of it was set aside as odd. */
  readonly compared: readonly ComparedReading[];
  readonly setAside: readonly number[];
}

/** Raised for a reading whose kind is not in the registry: a programming error, since entries are checked before. */
export class UnknownReadingKind extends Error {}

function judgeBaseline(
  kind: ReadingKind,
  compared: Compared,
  baseline: Baseline | null,
  isFirst: boolean,
  failed: boolean,
  about: About,
  policy: Policy,
): Judgement | null {
  if (!kind.judgeBaseline) return null;
  if (!baseline || isFirst) {
    // What has failed already is nothing to hold later readings against.
    const because: Judgement['because'] =
      isFirst && !failed
        ? { code: 'is-the-baseline', numbers: { value: compared.value, unit: kind.unit } }
        : { code: 'no-baseline-yet', numbers: { readings: 0 } };
    return { basis: 'baseline', standing: 'unproven', limit: null, because };
  }
  const { value } = compared;
  const offPercent = (100 * (value - baseline.value)) / baseline.value;
  const at = kind.likeForLike && compared.known ? { at: kind.likeForLike.words(about) } : {};
  return kind.judgeBaseline(
    { value, baseline: baseline.value, offPercent, from: baseline.from, unit: kind.unit, ...at },
    about,
    policy,
  );
}

/** What a value past its limit costs, beside the verdict that it is past it. */
function costOf(kind: ReadingKind, value: number, about: About): Judgement | null {
  const because = kind.costs?.(value, about);
  return because ? { basis: 'cross-check', standing: 'act', limit: null, because } : null;
}

function judgeThreeWires(reading: JudgedReading, context: JudgeContext): Judgement | null {
  if (reading.kind !== 'compressor-amps') return null;
  const all: Partial<Record<Point, number>> = { ...context.companions, [reading.point]: reading.value ?? undefined };
  const { common, run, 'start-wire': start } = all;
  if (common === undefined || run === undefined || start === undefined) return null;
  const check = threeWireCheck({ common, run, start });
  if (check.outcome === 'cannot-say') return null;
  const numbers = { expected: check.expectedCommon, value: common, offPercent: check.offPercent };
  return check.outcome === 'agrees'
    ? { basis: 'cross-check', standing: 'sound', limit: null, because: { code: 'three-wires-agree', numbers } }
    : { basis: 'cross-check', standing: 'watch', limit: null, because: { code: 'three-wires-miss', numbers } };
}

/** The overall standing: whatever is wrong comes first; else the plate decides, or for some kinds the baseline may. */
function combine(reasons: readonly Judgement[], kind: ReadingKind, point: Point): Standing {
  const worst = worstOf(reasons.map((r) => r.standing));
  if (severityOf(worst) > severityOf('unproven')) return worst;
  const deciding = kind.plateDecides(point) ? ['plate', 'finding'] : ['plate', 'finding', 'baseline'];
  return reasons.some((r) => deciding.includes(r.basis) && r.standing === 'sound') ? 'sound' : 'unproven';
}

/** The whole thread up to this reading, brought to common conditions, with the limits that hold there. */
function threadOf(
  value: number,
  reading: JudgedReading,
  context: JudgeContext,
  kind: ReadingKind,
  about: About,
  policy: Policy,
) {
  const { day, method, conditions, inputs } = reading;
  const compared = compareReadings(kind, [...context.earlier, { day, value, method, conditions, inputs }], about);
  return {
    compared,
    commonLimits: kind.limits(aboutAlike(kind, about), policy),
    shifts: shiftsOf(kind.id, context.events ?? []),
  };
}

/** A part that is open has no trend. */
const isBadFinding = ({ finding, point }: JudgedReading, kind: ReadingKind, policy: Policy): boolean =>
  !finding ||
  !kind.judgeFinding ||
  severityOf(kind.judgeFinding(finding, point, policy).standing) > severityOf('unproven');

function judgeNumber(
  value: number,
  reading: JudgedReading,
  context: JudgeContext,
  kind: ReadingKind,
  policy: Policy,
): Verdict {
  const about: About = { ...context, point: reading.point, conditions: reading.conditions };
  const limits = kind.limits(about, policy);
  const alike = bringAlike(kind, value, about, reading.conditions, reading.inputs);
  const { compared, commonLimits, shifts } = threadOf(value, reading, context, kind, about, policy);
  const baseline = baselineOf(compared, context.component.fittedOn, commonLimits, shifts);
  const reference = (commonLimits.known ? commonLimits.nominal : baseline?.value) ?? value;
  const { prior, nextRound } = context;
  const trend =
    kind.wear === 'none'
      ? null
      : judgeByTrend(kind, { about, compared, limits: commonLimits, reference, shifts, prior, nextRound, policy });
  const isFirst = context.earlier.length === 0;
  const found = reading.finding && kind.judgeFinding ? kind.judgeFinding(reading.finding, reading.point, policy) : null;
  const plate = judgeAgainstPlate(value, limits, kind.unit);
  const failed = [found, plate].some((j) => j && severityOf(j.standing) >= severityOf('act'));
  const reasons = [
    found,
    plate,
    judgeBaseline(kind, alike, baseline, isFirst, failed, about, policy),
    plate?.standing === 'act' ? costOf(kind, value, about) : null,
    judgeThreeWires(reading, context),
    ...(reading.finding && isBadFinding(reading, kind, policy) ? [] : (trend?.judgements ?? [])),
  ].filter((r) => r !== null);
  return conclude(reasons, kind, reading.point, value, {
    baseline,
    fit: trend?.fit ?? null,
    outlook: trend?.outlook ?? null,
    limits,
    commonLimits,
    compared,
    setAside: trend?.setAside ?? [],
  });
}

function conclude(
  reasons: readonly Judgement[],
  kind: ReadingKind,
  point: Point,
  value: number | null,
  rest: Pick<Verdict, 'baseline' | 'fit' | 'outlook' | 'limits' | 'commonLimits' | 'compared' | 'setAside'>,
): Verdict {
  const standing = combine(reasons, kind, point);
  const lead = reasons.find((r) => r.standing === standing) ?? reasons[0];
  if (!lead) throw new UnknownReadingKind(`${kind.id} gives no judgement for a finding`);
  return { ...lead, standing, value, reasons, ...rest };
}

/**
 * Judges a reading against plate or rule, against the part's own baseline, by its trend, and across the part's points.
 * The verdict is data: standing, what it rests on, limit and value in the kind's unit, and every reason with its
 * numbers. Compressor amps are held against RLA (or the RLA derived from MCA), never against the breaker; without
 * either they are 'unproven' with the reason. Throws UnknownReadingKind for a kind the registry does not have.
 */
export function judge(reading: JudgedReading, context: JudgeContext, policy: Policy): Verdict {
  const kind = readingKind(reading.kind);
  if (!kind) throw new UnknownReadingKind(reading.kind);
  if (reading.value !== null) return judgeNumber(reading.value, reading, context, kind, policy);
  const judged =
    reading.finding && kind.judgeFinding ? [kind.judgeFinding(reading.finding, reading.point, policy)] : [];
  const limits = kind.limits({ ...context, point: reading.point, conditions: reading.conditions }, policy);
  return conclude(judged, kind, reading.point, null, {
    baseline: null,
    fit: null,
    outlook: null,
    limits,
    commonLimits: limits,
    compared: [],
    setAside: [],
  });
}
