import type { Component, Point } from '../equipment/component.ts';
import type { SystemDetail } from '../http/systems.ts';
import { byThread, threadKey } from '../judgment/assess-system.ts';
import { threadState } from '../judgment/thread-state.ts';
import { dayOf } from '../quantity/day.ts';
import type { ReadingKind } from '../readings/contract/kind.ts';
import { dated } from '../readings/contract/reading.ts';
import { methodOf, readingKind } from '../readings/registry.ts';
import { proveAll, provePair, type Paired, type PairVerdict, type ProofVerdict } from '../round/proof.ts';
import { severityOf } from '../verdict/standing.ts';
import type { Repair } from './repairs.ts';
import type { RoundReading } from './round-parts.ts';
import type { RoundView } from './round-view.ts';

/** One reading before a repair and after it. */
export interface ProvedReading extends PairVerdict {
  readonly kind: ReadingKind;
  readonly point: Point;
  readonly component: Component & { readonly id: string };
  readonly before: Paired;
  readonly after: Paired | null;
}

/** A repair, and how far it is proved by what was not sound before it. */
export interface Proof {
  readonly repair: Repair;
  readonly verdict: ProofVerdict;
  readonly readings: readonly ProvedReading[];
}

/** Every part the system has had, as judging sees it. */
const partsOf = (system: SystemDetail, view: RoundView): Map<string, Component & { id: string }> =>
  new Map<string, Component & { id: string }>([
    ...system.components.map(
      (c) => [c.id, { ...c, fittedOn: c.fittedOn === null ? null : dayOf(c.fittedOn) }] as const,
    ),
    ...view.components.map((c) => [c.id, c] as const),
  ]);

function paired(
  reading: RoundReading,
  thread: readonly RoundReading[],
  component: Component,
  kind: ReadingKind,
  { system, view }: { system: SystemDetail; view: RoundView },
): Paired {
  const upTo = thread.filter((r) => r.takenAt <= reading.takenAt).map((r) => dated(r, system.zone));
  const { nextRound, prior, events, policy } = view;
  const context = { systemKind: system.kind, plate: system.plate, component, nextRound, prior, events };
  const { value } = reading;
  return {
    value,
    error: value === null ? 0 : (methodOf(kind, reading.method)?.error?.(value) ?? 0),
    standing: threadState(upTo, context, policy)?.standing ?? 'unproven',
  };
}

function provedReadings(system: SystemDetail, visitId: string, view: RoundView, repair: Repair): ProvedReading[] {
  const threads = byThread(view.readings);
  const parts = partsOf(system, view);
  return [...threads.values()].flatMap((thread): ProvedReading[] => {
    // Weather and load differ from visit to visit; what was read of the part itself is why it came out.
    const isOfIt = (r: RoundReading) => r.componentId === repair.replaced?.old;
    const before = thread.findLast((r) => r.takenAt < repair.at && (r.visitId === visitId || isOfIt(r)));
    const kind = before && readingKind(before.kind);
    const component = before && parts.get(before.componentId);
    if (!before || !kind || !component || !repair.moves(before.kind, before.point)) return [];
    const was = paired(before, thread, component, kind, { system, view });
    // Only what was not as it should be can prove that something has helped.
    if (severityOf(was.standing) < severityOf('watch')) return [];
    const now = isOfIt(before) ? (parts.get(repair.replaced?.fresh ?? '') ?? component) : component;
    const later = threads.get(threadKey({ ...before, componentId: now.id })) ?? [];
    const after = later.findLast((r) => r.visitId === visitId && r.takenAt > repair.at);
    const ofIt = repair.renews(before.point) ? later.filter((r) => r.takenAt > repair.at) : later;
    const is = after ? paired(after, ofIt, now, kind, { system, view }) : null;
    const wear = kind.type === 'number' ? kind.wear : 'none';
    return [{ kind, point: before.point, component: now, before: was, after: is, ...provePair(was, is, wear) }];
  });
}

/** The repairs of this round that something not sound was read before, each with what proves it or does not. */
export const roundProofs = (system: SystemDetail, visitId: string, view: RoundView): Proof[] =>
  view.repairs.flatMap((repair): Proof[] => {
    const readings = provedReadings(system, visitId, view, repair);
    const verdict = proveAll(readings.map((r) => r.verdict));
    return verdict ? [{ repair, verdict, readings }] : [];
  });

/** Repairs that stand unproved: not read again, and nobody has written why. */
export const unproved = (proofs: readonly Proof[], reasons: Readonly<Record<string, string>>): Proof[] =>
  proofs.filter(({ verdict, repair }) => verdict === 'owed' && !reasons[repair.id]?.trim());
