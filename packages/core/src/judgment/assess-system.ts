import type { Component, Point } from '../equipment/component.ts';
import type { Plate } from '../equipment/plate.ts';
import type { SystemKind } from '../equipment/system-kind.ts';
import { dayAt } from '../quantity/day-in.ts';
import type { Day } from '../quantity/day.ts';
import { dated, isCounted, type DatedReading, type Reading } from '../readings/contract/reading.ts';
import { numericKind } from '../readings/registry.ts';
import { anyAhead, type Ahead } from '../series/ahead.ts';
import type { FleetPrior } from '../series/drift-prior.ts';
import type { Judgment } from '../verdict/judgment.ts';
import type { Policy } from '../verdict/policy.ts';
import { severityOf, standingOfPart, type Standing } from '../verdict/standing.ts';
import { interpreted } from './interpreted.ts';
import { isSince, renewsPoint, type SystemEvent } from './events.ts';
import type { JudgeContext } from './judge.ts';
import { judgedOrSetAside } from './not-fitted.ts';
import { threadState, type ThreadState } from './thread-state.ts';
import { moveChance, readTogether, type Together } from './together.ts';
import { urgencyOf } from './urgency.ts';

/** The name of a thread: one component's readings of one kind at one point. */
export const threadKey = (t: { componentId: string; kind: string; point: string }): string =>
  `${t.componentId}/${t.kind}/${t.point}`;

/** The readings that stand: those no other reading supersedes, in the order they were taken. */
export function standingReadings<R extends Reading>(readings: readonly R[]): R[] {
  const replaced = new Set(readings.map((r) => r.supersedes));
  return readings
    .filter((r) => !replaced.has(r.id))
    .sort((a, b) => (a.takenAt < b.takenAt ? -1 : a.takenAt > b.takenAt ? 1 : a.id < b.id ? -1 : 1));
}

function grouped<R extends Reading>(standing: readonly R[]): Map<string, R[]> {
  const threads = new Map<string, R[]>();
  for (const r of standing) {
    const key = threadKey(r);
    const known = threads.get(key);
    if (known) known.push(r);
    else threads.set(key, [r]);
  }
  return threads;
}

/** The readings that stand, by thread. */
export const byThread = <R extends Reading>(readings: readonly R[]): Map<string, R[]> =>
  grouped(standingReadings(readings));

/** The companions of every part's kind on every visit, gathered once from readings that stand, in order. */
function companionsIn(standing: readonly Reading[]) {
  const nameOf = (r: { visitId: string; componentId: string; kind: string }) =>
    `${r.visitId}/${r.componentId}/${r.kind}`;
  const all = new Map<string, Partial<Record<Point, number>>>();
  for (const r of standing) {
    if (r.value === null) continue;
    const known = all.get(nameOf(r)) ?? {};
    known[r.point] = r.value;
    all.set(nameOf(r), known);
  }
  return (of: { visitId: string; componentId: string; kind: string }) => all.get(nameOf(of)) ?? {};
}

/** Values of one kind at a component's points on one visit; the latest of each point. */
export const companionsOf = (
  readings: readonly Reading[],
  of: { visitId: string; componentId: string; kind: string },
): NonNullable<JudgeContext['companions']> => companionsIn(standingReadings(readings))(of);

/**
 * The day after which a thread's readings count: the day a part was fitted that changes them without being worn itself.
 * -Infinity when nothing restarts it. `components` are the system's living parts.
 */
export function restartedOn(kind: string, point: Point, components: readonly Component[]): Day {
  const by = numericKind(kind)?.restartedBy?.(point) ?? [];
  const days = components.filter((c) => by.includes(c.kind)).map((c) => c.fittedOn ?? -Infinity);
  return Math.max(-Infinity, ...days);
}

/**
 * The readings of a thread that count now: all of them, or those since something restarted it. `components` are the living
 * parts, `events` what was done besides: an element replaced is no part of its own, and yet another one than was read before.
 */
export function countingReadings<R extends Reading>(
  readings: readonly R[],
  components: readonly Component[],
  { events = [], zone }: Pick<JudgedSystem, 'events' | 'zone'> = {},
): R[] {
  const known = new Map<string, Day>();
  return readings.filter((r) => {
    const name = `${r.kind}/${r.point}`;
    const after = known.get(name) ?? restartedOn(r.kind, r.point, components);
    known.set(name, after);
    const day = dayAt(zone, r.takenAt);
    if (day <= after) return false;
    return events.every((e) => !renewsPoint(e.kind, r.point) || isSince({ day, takenAt: r.takenAt }, e));
  });
}

/** A system as judging sees it. */
export interface JudgedSystem<C extends Component & { id: string } = Component & { id: string }> {
  readonly kind: SystemKind;
  readonly plate: Plate;
  readonly components: readonly C[];
  /** Time zone that its days are of; UTC where it is left out. */
  readonly zone?: string | undefined;
  /** What was done to it, besides parts replaced. */
  readonly events?: readonly SystemEvent[] | undefined;
}

export interface SystemThread<R extends Reading = Reading, C = Component & { id: string }> {
  readonly key: string;
  readonly component: C;
  /** Those that count, in the order they were taken. */
  readonly readings: readonly DatedReading<R>[];
  readonly state: ThreadState;
}

/**
 * States of threads that were worked out before. Whoever keeps one answers for it being asked under one system kind, plate,
 * policy, prior and set of events only. `thread` names it within its system, `rests` tells all else that its state rests on:
 * a state by another is stale.
 */
export interface ThreadMemo {
  readonly get: (thread: string, rests: string) => ThreadState | undefined;
  readonly set: (thread: string, rests: string, state: ThreadState) => void;
}

/** Readings never change under their id, but what a technician rules of them may. */
const nameIn = ({ id, ruling, read }: Reading): string =>
  [
    id,
    ...(ruling ? [ruling.standing, ruling.by, ruling.why] : []),
    ...(read ? [read.says, ...read.causes, ...read.states] : []),
  ].join(':');

/** What a thread's state rests on, the readings it was made from among it. */
const restsOn = (
  counting: readonly Reading[],
  { fittedOn, plate }: Component,
  nextRound: Day,
  companions: object,
): string =>
  [
    nextRound,
    fittedOn,
    plate.rating ?? '',
    plate.schools ? JSON.stringify(plate.schools) : '',
    JSON.stringify(companions),
    ...counting.map(nameIn),
  ].join('|');

/** What a system is judged by: until when its parts have to last, the firm's policy, and what its fleet has taught. */
export interface Judging {
  readonly nextRound: Day;
  readonly policy: Policy;
  readonly prior?: FleetPrior | undefined;
  /** With a memo only the threads that have changed since are worked out. */
  readonly memo?: ThreadMemo | undefined;
}

/** Every thread of a system as it stands, given all its readings. Readings of unknown parts or kinds are left out. */
export function systemThreads<R extends Reading, C extends Component & { id: string }>(
  system: JudgedSystem<C>,
  readings: readonly R[],
  { nextRound, policy, prior, memo }: Judging,
): SystemThread<R, C>[] {
  const components = new Map(system.components.map((c) => [c.id, c]));
  const threads: SystemThread<R, C>[] = [];
  const standing = interpreted(system, standingReadings(readings));
  const companionsFor = companionsIn(standing.filter(isCounted));
  for (const [key, kept] of grouped(standing)) {
    const newest = kept.at(-1);
    const component = newest && components.get(newest.componentId);
    if (!newest || !component) continue;
    const companions = companionsFor(newest);
    const { kind: systemKind, plate, events } = system;
    const context = { systemKind, plate, component, nextRound, companions, prior, events };
    const counting = countingReadings(kept, system.components, system).map((r) => dated(r, system.zone));
    const rests = memo && restsOn(counting, component, nextRound, companions);
    const known = rests === undefined ? undefined : memo?.get(key, rests);
    const state = known ?? judgedOrSetAside(dated(newest, system.zone), () => threadState(counting, context, policy));
    if (state && !known && rests !== undefined) memo?.set(key, rests, state);
    if (state) threads.push({ key, component, readings: counting, state });
  }
  const findings = readTogether(threads, system.plate);
  return findings.length === 0 ? threads : threads.map((t) => moved(t, findings, system.kind, nextRound, policy));
}

/** A thread after the findings over several readings: its chance and urgency moved, and watched once that is due. */
function moved<R extends Reading, C extends Component & { id: string }>(
  thread: SystemThread<R, C>,
  findings: readonly Together[],
  systemKind: SystemKind,
  nextRound: Day,
  policy: Policy,
): SystemThread<R, C> {
  // Whoever has overruled a verdict has seen the other readings too.
  if (thread.state.lead.because.code === 'ruled') return thread;
  const { chance, judgments } = moveChance(thread, findings);
  if (judgments.length === 0) return thread;
  const { state, component } = thread;
  const due = chance >= policy.trend.watchChance && severityOf(state.standing) < severityOf('watch');
  const reasons = [...state.reasons, ...judgments.map((j) => (due ? { ...j, standing: 'watch' as const } : j))];
  const last = reasons.at(-1);
  return {
    ...thread,
    state: {
      ...state,
      reasons,
      ...(due && last ? { standing: 'watch' as const, lead: last } : {}),
      chance,
      urgency: urgencyOf(reasons, component.slot, state.point, { systemKind, nextRound }, chance),
    },
  };
}

/** Which of two threads of a part leads: the worse, and of two as bad the more urgent; the first when they are alike. */
const isWorse = (a: SystemThread, b: SystemThread): boolean =>
  severityOf(a.state.standing) !== severityOf(b.state.standing)
    ? severityOf(a.state.standing) > severityOf(b.state.standing)
    : a.state.urgency > b.state.urgency;

/** The threads of a part with the one that leads first: what every list, screen and summary says of the part. */
export const leadingFirst = <T extends SystemThread>(threads: readonly T[]): T[] =>
  [...threads].sort((a, b) => (isWorse(a, b) ? -1 : isWorse(b, a) ? 1 : 0));

/** How one part stands, and the thread that says so. */
export interface PartAssessment<R extends Reading = Reading, C = Component & { id: string }> {
  readonly part: C;
  readonly standing: Standing;
  readonly urgency: number;
  /** Chance, 0 to 1, of being past its limit by the next round. */
  readonly chance: number;
  /** The chance by its trends alone, from its last reading on; null where it is small for long. */
  readonly ahead: Ahead | null;
  /** The one that leads first; empty without a reading. */
  readonly threads: readonly SystemThread<R, C>[];
  readonly lead: Judgment | null;
  /** What else is wrong by the leading thread. */
  readonly also: readonly Judgment[];
}

function assessPart<R extends Reading, C extends Component & { id: string }>(
  part: C,
  all: readonly SystemThread<R, C>[],
): PartAssessment<R, C> {
  const threads = leadingFirst(all.filter((t) => t.component.id === part.id));
  const state = threads[0]?.state;
  const also = (state?.reasons ?? []).filter(
    (r) => r.because.code !== state?.lead.because.code && severityOf(r.standing) >= severityOf('watch'),
  );
  return {
    part,
    standing: standingOfPart(threads.map((t) => t.state.standing)),
    urgency: Math.max(0, ...threads.map((t) => t.state.urgency)),
    chance: state?.chance ?? 0,
    ahead: anyAhead(threads.flatMap((t) => t.state.numeric?.outlook?.ahead ?? [])),
    threads,
    lead: state?.lead ?? null,
    also,
  };
}

/** A whole system as it stands. */
export interface Assessment<R extends Reading = Reading, C = Component & { id: string }> {
  readonly parts: readonly PartAssessment<R, C>[];
  readonly threads: readonly SystemThread<R, C>[];
}

/**
 * Assesses a system from all its readings: every thread, and each part by the thread that leads. Whoever asks how a part
 * stands, on a device or at the office, asks here.
 */
export function assessSystem<R extends Reading, C extends Component & { id: string }>(
  system: JudgedSystem<C>,
  readings: readonly R[],
  judging: Judging,
): Assessment<R, C> {
  const threads = systemThreads(system, readings, judging);
  return { threads, parts: system.components.map((part) => assessPart(part, threads)) };
}
