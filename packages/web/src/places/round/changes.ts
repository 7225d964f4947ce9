import {
  byThread,
  dayOf,
  judgedReading,
  readingKind,
  severityOf,
  standingOfPart,
  systemThreads,
  threadState,
  whatChanged,
  type Change,
  type Judgement,
  type Point,
  type Policy,
  type ReadingKind,
  type SystemDetail,
} from '@yarnix/core';
import type { RoundRecord } from '../../field/round-record.ts';
import type { RoundView } from './round-view.ts';
import type { RoundComponent } from './round-parts.ts';

export interface RoundChange extends Change {
  readonly kind: ReadingKind;
  readonly point: Point;
  readonly component: RoundComponent;
  readonly lead: Judgement;
}

/** What changed on this round, thread by thread, against how each thread stood before it. */
export function roundChanges(
  system: SystemDetail,
  record: RoundRecord,
  view: RoundView,
  policy: Policy,
): RoundChange[] {
  const judged = { kind: system.kind, plate: system.plate, components: view.components, events: view.events };
  const now = systemThreads(judged, view.readings, view.nextRound, policy, view.prior);
  const touched = now.filter((t) => t.readings.some((r) => r.visitId === record.visitId));
  const older = byThread(view.readings.filter((r) => r.visitId !== record.visitId));
  const details = new Map(touched.map((t) => [t.key, t]));
  const atClose = touched.map((t) => {
    const before = (older.get(t.key) ?? []).filter((r) => t.readings.includes(r));
    const last = before.findLast((r) => r.value !== null);
    const context = {
      systemKind: system.kind,
      plate: system.plate,
      component: t.component,
      nextRound: view.nextRound,
      prior: view.prior,
      events: view.events,
    };
    const then = threadState(before.map(judgedReading), context, policy);
    const latest = t.readings.findLast((r) => r.visitId === record.visitId && r.value !== null);
    return {
      key: t.key,
      standing: t.state.standing,
      now: latest?.value ?? null,
      before: last && then ? { value: last.value ?? 0, day: dayOf(last.takenAt), standing: then.standing } : null,
    };
  });
  return whatChanged(atClose).flatMap((change) => {
    const thread = details.get(change.key);
    const kind = thread && readingKind(thread.state.kind);
    return thread && kind
      ? [{ ...change, kind, point: thread.state.point, component: thread.component, lead: thread.state.lead }]
      : [];
  });
}

/** Whether a change is worth a line of its own: a turn, a standing to act on, or a new part. */
export const isTelling = (change: RoundChange): boolean =>
  change.turn === 'worse' ||
  change.turn === 'better' ||
  severityOf(change.standing) >= severityOf('watch') ||
  change.component.isNew;

/** Each part that was measured on this round: how it stands, its most telling reason, and the chance it carries. */
export function partsTested(system: SystemDetail, record: RoundRecord, view: RoundView) {
  const judged = { kind: system.kind, plate: system.plate, components: view.components, events: view.events };
  const threads = systemThreads(judged, view.readings, view.nextRound, view.policy, view.prior);
  return view.components.map((part) => {
    const own = threads.filter((t) => t.component.id === part.id);
    const worst = own.reduce<(typeof own)[number] | null>(
      (w, t) => (w === null || severityOf(t.state.standing) > severityOf(w.state.standing) ? t : w),
      null,
    );
    return {
      slot: part.slot,
      isNew: part.isNew,
      standing: standingOfPart(own.map((t) => t.state.standing)),
      readings: own.flatMap((t) => t.readings).filter((r) => r.visitId === record.visitId).length,
      chance: Math.max(0, ...own.map((t) => t.state.chance)),
      lead: worst?.state.lead ?? null,
    };
  });
}
