import type { Point } from '../equipment/component.ts';
import type { SystemDetail } from '../http/systems.ts';
import { byThread, type SystemThread } from '../judgment/assess-system.ts';
import { threadState } from '../judgment/thread-state.ts';
import type { ReadingKind } from '../readings/contract/kind.ts';
import { dated } from '../readings/contract/reading.ts';
import { readingKind } from '../readings/registry.ts';
import { whatChanged, type Change, type ThreadAtClose } from '../round/what-changed.ts';
import type { Judgment } from '../verdict/judgment.ts';
import { severityOf } from '../verdict/standing.ts';
import type { RoundComponent, RoundReading } from './round-parts.ts';
import type { RoundView } from './round-view.ts';

export interface RoundChange extends Change {
  readonly kind: ReadingKind;
  readonly point: Point;
  readonly component: RoundComponent;
  readonly lead: Judgment;
}

type Thread = SystemThread<RoundReading, RoundComponent>;

/** How a thread stood before this round, and what it read on it. */
function atClose(
  thread: Thread,
  older: readonly RoundReading[],
  system: SystemDetail,
  view: RoundView,
  visitId: string,
): ThreadAtClose {
  const counting = new Set(thread.readings.map((r) => r.id));
  const before = older.filter((r) => counting.has(r.id)).map((r) => dated(r, system.zone));
  const last = before.findLast((r) => r.value !== null);
  const { nextRound, prior, events, policy } = view;
  const context = { systemKind: system.kind, plate: system.plate, component: thread.component };
  const then = threadState(before, { ...context, nextRound, prior, events }, policy);
  const latest = thread.readings.findLast((r) => r.visitId === visitId && r.value !== null);
  return {
    key: thread.key,
    standing: thread.state.standing,
    now: latest?.value ?? null,
    before: last && then ? { value: last.value ?? 0, day: last.day, standing: then.standing } : null,
  };
}

/** What changed on this round, thread by thread, against how each thread stood before it. */
export function roundChanges(system: SystemDetail, visitId: string, view: RoundView): RoundChange[] {
  const touched = view.assessment.threads.filter((t) => t.readings.some((r) => r.visitId === visitId));
  const older = byThread(view.readings.filter((r) => r.visitId !== visitId));
  const details = new Map(touched.map((t) => [t.key, t]));
  const changes = whatChanged(touched.map((t) => atClose(t, older.get(t.key) ?? [], system, view, visitId)));
  return changes.flatMap((change) => {
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
