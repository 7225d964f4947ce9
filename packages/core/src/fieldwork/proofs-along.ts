import type { Point, Slot } from '../equipment/component.ts';
import type { SystemDetail } from '../http/systems.ts';
import type { VisitView } from '../http/visits.ts';
import { movesReading } from '../judgment/events.ts';
import { momentOfId } from '../quantity/moment-of-id.ts';
import type { FleetPrior } from '../series/drift-prior.ts';
import type { Policy } from '../verdict/policy.ts';
import { asOfVisit } from './as-of-visit.ts';
import { roundProofs, type Proof, type ProvedReading } from './proofs.ts';
import { newRound } from './round-record.ts';
import { roundView } from './view-round.ts';

/** A thread by its place on a machine, through all lives of the part there. */
export interface ThreadPlace {
  readonly slot: Slot;
  readonly kind: string;
  readonly point: Point;
}

/** A step of a thread: the repair that made it, when (UTC), and what was read of the thread before and after it. */
export interface ProvedStep {
  readonly repair: Proof['repair'];
  readonly read: ProvedReading;
}

/** Whether something was done on a visit that may have moved the thread: the dearer question is asked of those alone. */
function wasRepaired(
  system: SystemDetail,
  { id, startedAt }: VisitView,
  endedAt: string,
  { kind, point }: ThreadPlace,
) {
  const isFitted = system.components.some(({ id: part, replaces }) => {
    const at = momentOfId(part);
    return replaces !== null && at !== null && at >= startedAt && at <= endedAt;
  });
  return isFitted || system.events.some((e) => e.visitId === id && movesReading(e.kind, kind, point));
}

/** The repairs a thread was read before and after, oldest first; a visit that is under way counts up to `now` (UTC). */
export function proofsAlong(
  system: SystemDetail,
  place: ThreadPlace,
  { policy, prior, now }: { policy: Policy; prior?: FleetPrior | undefined; now: string },
): ProvedStep[] {
  return system.visits
    .toSorted((a, b) => (a.startedAt < b.startedAt ? -1 : 1))
    .flatMap((visit): ProvedStep[] => {
      const endedAt = visit.closedAt ?? now;
      if (!wasRepaired(system, visit, endedAt, place)) return [];
      const then = asOfVisit(system, endedAt);
      const record = newRound(visit.id, system.id, visit.startedAt, visit.season);
      const proofs = roundProofs(then, visit.id, roundView(then, record, policy, Date.parse(endedAt), {}, prior));
      return proofs.flatMap(({ repair, readings }) =>
        readings
          .filter((r) => r.kind.id === place.kind && r.point === place.point && r.component.slot === place.slot)
          .map((read) => ({ repair, read })),
      );
    });
}
