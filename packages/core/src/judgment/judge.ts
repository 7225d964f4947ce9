import type { Component, Point } from '../equipment/component.ts';
import type { Plate } from '../equipment/plate.ts';
import type { SystemKind } from '../equipment/system-kind.ts';
import type { Day } from '../quantity/day.ts';
import type { About } from '../readings/contract/entry.ts';
import type { Compared, NumericKind, ReadingKind } from '../readings/contract/kind.ts';
import {
  isCounted,
  isNumeric,
  type JudgedReading,
  type ThreadReading,
  type Ruling,
} from '../readings/contract/reading.ts';
import { readingKind } from '../readings/registry.ts';
import type { FleetPrior } from '../series/drift-prior.ts';
import type { ThreadFit } from '../series/fit-thread.ts';
import type { Outlook } from '../series/outlook.ts';
import { standingOfFindings } from '../verdict/findings.ts';
import type { Says } from '../verdict/interpretation.ts';
import type { Judgment } from '../verdict/judgment.ts';
import type { Limits } from '../verdict/limits.ts';
import type { Need } from '../verdict/rules.ts';
import type { Policy } from '../verdict/policy.ts';
import { policyFor } from '../verdict/schools.ts';
import { severityOf, worstOf, type Standing } from '../verdict/standing.ts';
import { judgeAgainstPlate } from './against-plate.ts';
import { baselineOf, type Baseline } from './baseline.ts';
import { judgeByTrend } from './by-trend.ts';
import { bringAlike, type ComparedReading } from './compare-readings.ts';
import type { SystemEvent } from './events.ts';
import { prepareSeries } from './prepare-series.ts';
import { limitsAtSpeed, speedNeeded, speedOf } from './speed.ts';
import { believedOf, correctedFor } from './read-with.ts';

/** What a reading is judged in the light of. */
export interface JudgeContext {
  readonly systemKind: SystemKind;
  readonly plate: Plate;
  readonly component: Component;
  /** Earlier numbers of the same thread (kind, point, this life of the part), superseded ones left out, any order. */
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

/** What judging a number looked at; a finding has none of it. */
export interface NumericPart {
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

/** A verdict: the worst of its judgments first, then all of them. */
export interface Verdict extends Judgment {
  readonly value: number | null;
  readonly reasons: readonly Judgment[];
  readonly numeric: NumericPart | null;
}

/** Raised for a reading whose kind is not in the registry: a programming error, since entries are checked before. */
export class UnknownReadingKind extends Error {}

/** Judges findings by their table, as the worst of them. Null when nothing was found. */
function judgeFindings(findings: readonly string[], point: Point): Judgment | null {
  if (findings.length === 0) return null;
  const because = { code: 'finding', numbers: { found: findings, point } } as const;
  return { basis: 'finding', standing: standingOfFindings(findings), limit: null, because };
}

/** How what a reading says stands. What condemns its part, and what is wrong elsewhere, is acted on: see asks.ts. */
const STANDING_OF: Readonly<Record<Says, Standing>> = {
  counts: 'sound',
  'other-state': 'unproven',
  'tells-nothing': 'unproven',
  doubtful: 'unproven',
  faulty: 'act',
  elsewhere: 'act',
  condemned: 'act',
};

/** What a reading says that does not count as it is; null where it does. */
function judgeState(reading: JudgedReading, kind: ReadingKind): Judgment | null {
  const { read, value } = reading;
  if (!read || isCounted(reading)) return null;
  const unit = kind.type === 'number' ? kind.unit : null;
  const because = { code: 'in-state', numbers: { ...read, value, unit } } as const;
  return { basis: 'state', standing: STANDING_OF[read.says], limit: null, because };
}

/** Of what a reading is the first, where it is one: of its part, or of its part in such a state. */
type First = 'of-part' | 'in-state' | null;

function judgeBaseline(
  kind: NumericKind,
  compared: Compared,
  baseline: Baseline | null,
  first: First,
  failed: boolean,
  about: About,
  policy: Policy,
): Judgment | null {
  if (!kind.judgeBaseline) return null;
  if (!baseline || first) {
    // What has failed already is nothing to hold later readings against.
    const because: Judgment['because'] =
      first && !failed
        ? {
            code: 'is-the-baseline',
            numbers: { value: compared.value, unit: kind.unit, ...(first === 'in-state' && { inThisState: true }) },
          }
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

/** What it costs meanwhile that something is wrong. */
function costsOf(
  { read, value, point, conditions }: JudgedReading,
  context: JudgeContext,
  kind: ReadingKind,
): Judgment[] {
  if (STANDING_OF[read?.says ?? 'counts'] !== 'act' || value === null || kind.type !== 'number') return [];
  const { systemKind, plate, component } = context;
  const cost = costOf(kind, value, { systemKind, plate, component, point, conditions });
  return cost ? [cost] : [];
}

/** A finding of a reading that counts: it is what a sound machine gives, so that it condemns nothing. */
const asCounted = (found: Judgment): Judgment =>
  found.standing === 'act' ? { ...found, standing: 'unproven' } : found;

/** What a value past its limit costs, beside the verdict that it is past it. */
function costOf(kind: NumericKind, value: number, about: About): Judgment | null {
  const because = kind.costs?.(value, about);
  return because ? { basis: 'cross-check', standing: 'act', limit: null, because } : null;
}

/** The overall standing: whatever is wrong comes first; else the plate decides, or for some kinds the baseline may. */
function combine(reasons: readonly Judgment[], kind: ReadingKind, point: Point): Standing {
  const worst = worstOf(reasons.map((r) => r.standing));
  if (severityOf(worst) > severityOf('unproven')) return worst;
  const byBaseline = kind.type === 'number' && kind.baselineDecides?.(point);
  const deciding = byBaseline ? ['plate', 'finding', 'baseline'] : ['plate', 'finding'];
  return reasons.some((r) => deciding.includes(r.basis) && r.standing === 'sound') ? 'sound' : 'unproven';
}

const isAtLeast = (judgment: Judgment | null, standing: Standing): boolean =>
  judgment !== null && severityOf(judgment.standing) >= severityOf(standing);

/** Why a figure that goes with the speed is held against none before it; null where its limits say so already. */
const notCompared = (limits: Limits, need: Need): Judgment | null =>
  limits.known
    ? { basis: 'baseline', standing: 'unproven', limit: null, because: { code: 'no-basis', numbers: { need } } }
    : null;

function judgeNumber(
  reading: JudgedReading & { readonly value: number },
  context: JudgeContext,
  kind: NumericKind,
  policy: Policy,
): Verdict {
  const { value, point, conditions, inputs } = reading;
  const { systemKind, plate: nameplate, component, nextRound, prior } = context;
  const about: About = { systemKind, plate: nameplate, component, point, conditions };
  const speed = speedOf(kind, about);
  const isAnySpeed = speed === 'unknown';
  const limits = limitsAtSpeed(kind.limits(about, policy), speed, systemKind);
  const earlier = context.earlier.filter(isCounted);
  const series = prepareSeries(kind, [...earlier, reading], about, policy, context.events, prior?.meters);
  const trend = kind.wear === 'none' || isAnySpeed ? null : judgeByTrend(series, { prior, nextRound, policy });
  const found = judgeFindings(reading.findings, point);
  const method = kind.methods.find((m) => m.id === reading.method);
  const corrected = correctedFor(method, value, reading.instrument, reading.day, prior?.meters);
  const believed = believedOf(corrected, value, kind.driftIn === 'unit');
  const plate = judgeAgainstPlate(believed.value, limits, kind.unit, {
    meter: believed.meter,
    error: method?.error?.(believed.value) ?? 0,
  });
  const failed = isAtLeast(found, 'act') || isAtLeast(plate, 'act');
  const isAlone = !series.compared.some((c) => c.reading !== reading);
  const first = !isAlone ? null : earlier.length === 0 ? 'of-part' : 'in-state';
  const alike = bringAlike(kind, corrected.value, about, conditions, inputs);
  const held = series.compared.find((c) => c.reading === reading);
  const ownBaseline = baselineOf(series.compared, component.fittedOn, series.limits, series.shifts, held);
  const state = judgeState(reading, kind);
  const reasons = [
    state,
    found,
    plate,
    isAnySpeed
      ? notCompared(limits, speedNeeded(systemKind))
      : judgeBaseline(kind, alike, ownBaseline, first, failed, about, policy),
    plate.standing === 'act' ? costOf(kind, believed.value, about) : null,
    ...(kind.besides?.(inputs ?? {}, about, policy) ?? []),
    kind.acrossPoints?.({ ...context.companions, [point]: value }) ?? null,
    // A part that is open has no trend.
    ...(isAtLeast(found, 'watch') ? [] : (trend?.judgments ?? [])),
  ].filter((r) => r !== null);
  return conclude(reasons, kind, point, value, {
    baseline: series.baseline,
    fit: trend?.fit ?? null,
    outlook: trend?.outlook ?? null,
    limits,
    commonLimits: series.limits,
    compared: series.compared,
    setAside: trend?.setAside ?? [],
  });
}

function conclude(
  reasons: readonly Judgment[],
  kind: ReadingKind,
  point: Point,
  value: number | null,
  numeric: NumericPart | null,
): Verdict {
  const standing = combine(reasons, kind, point);
  const lead = reasons.find((r) => r.standing === standing) ?? reasons[0];
  if (!lead) throw new UnknownReadingKind(`${kind.id} gives no judgment for what was found`);
  const { basis, limit, because } = lead;
  return { basis, standing, limit, because, value, reasons, numeric };
}

/**
 * Judges a reading against plate or rule, against the part's own baseline, by its trend, and across the part's points.
 * The verdict is data: standing, what it rests on, limit and value in the kind's unit, and every reason with its
 * numbers. Compressor amps are held against RLA (or the RLA derived from MCA), never against the breaker; without
 * either they are 'unproven' with the reason. What a technician put in place of the verdict leads. Throws UnknownReadingKind for a kind the registry does not have.
 */
export function judge(reading: JudgedReading, context: JudgeContext, policy: Policy): Verdict {
  const verdict = judgeUnruled(reading, context, policyFor(context.component, policy));
  return reading.ruling ? ruled(verdict, reading.ruling) : verdict;
}

/** A verdict with what a technician put in its place leading; what it was made of stays beside it. */
function ruled(verdict: Verdict, { standing, why, by }: Ruling): Verdict {
  const because = { code: 'ruled', numbers: { standing, was: verdict.standing, why, by } } as const;
  const judgment: Judgment = { basis: 'technician', standing, limit: null, because };
  return { ...verdict, ...judgment, reasons: [judgment, ...verdict.reasons] };
}

const saysWhere = (kind: ReadingKind): boolean => kind.type === 'finding' && kind.saysWhere === true;

/**
 * Whether what was found is judged although it was not read in a state that counts: it condemns its part, or it says itself where to
 * look. Heat without air is stopped wherever it may not be that the air has yet to come.
 */
function isFoundFirst({ read, findings }: JudgedReading, kind: ReadingKind): boolean {
  if (read?.says === 'condemned') return true;
  if (!saysWhere(kind) || !read) return false;
  return read.says === 'elsewhere' || (standingOfFindings(findings) === 'stop' && !read.states.includes('just-begun'));
}

/** What was found, beside what a reading says in its state: nothing where that condemns the part and this proves nothing. */
function besideState(
  found: Judgment | null,
  state: Judgment | null,
  { read }: JudgedReading,
  kind: ReadingKind,
): Judgment | null {
  if (!found || !read || (state && saysWhere(kind))) return found;
  return state && found.standing === 'unproven' ? null : asCounted(found);
}

function judgeUnruled(reading: JudgedReading, context: JudgeContext, policy: Policy): Verdict {
  const kind = readingKind(reading.kind);
  if (!kind) throw new UnknownReadingKind(reading.kind);
  const state = judgeState(reading, kind);
  if (state && !isFoundFirst(reading, kind))
    return conclude([state, ...costsOf(reading, context, kind)], kind, reading.point, reading.value, null);
  if (isNumeric(reading) && kind.type === 'number') return judgeNumber(reading, context, kind, policy);
  const bySchool = kind.type === 'finding' ? kind.bySchool : undefined;
  const findings = bySchool?.(reading.findings, reading.inputs ?? {}, policy) ?? reading.findings;
  const found = judgeFindings(findings, reading.point);
  const reasons = [besideState(found, state, reading, kind), state];
  return conclude(
    reasons.filter((r) => r !== null),
    kind,
    reading.point,
    null,
    null,
  );
}
