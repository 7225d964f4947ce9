import {
  byThread,
  dayOf,
  inlineThread,
  judgedReading,
  nextRoundAfter,
  readingKind,
  systemThreads,
  threadKey,
  type ComponentView,
  type Day,
  type InlineThreadData,
  type Point,
  type Policy,
  type ReadingKind,
  type ReadingView,
  type SystemDetail,
  type ThreadState,
} from '@yarnix/core';

/** Everything the thread screen shows: this life of the part, the lives before it in the same place, and what is ahead. */
export interface ThreadData {
  readonly kind: ReadingKind;
  readonly point: Point;
  readonly part: ComponentView;
  readonly state: ThreadState | null;
  readonly inline: InlineThreadData | null;
  /** Readings of this life, superseded ones too, oldest first. */
  readonly readings: readonly ReadingView[];
  /** Readings that count of earlier parts in the same slot, oldest life first. */
  readonly before: readonly { readonly part: ComponentView; readonly points: readonly { day: Day; value: number }[] }[];
  readonly nominal: number | null;
}

const numbersOf = (readings: readonly ReadingView[]) =>
  readings.filter((r) => r.value !== null).map((r) => ({ day: dayOf(r.takenAt), value: r.value ?? 0 }));

/** Gathers a thread from a system; null when it has no such part or kind. */
export function threadData(
  system: SystemDetail,
  asked: { componentId: string; kind: string; point: string },
  policy: Policy,
  today: Day,
): ThreadData | null {
  const part = system.components.find((c) => c.id === asked.componentId);
  const kind = readingKind(asked.kind);
  if (!part || !kind) return null;
  const withDays = system.components.map((c) => ({ ...c, fittedOn: c.fittedOn === null ? null : dayOf(c.fittedOn) }));
  const living = withDays.filter((c) => c.removedOn === null || c.id === part.id);
  const judged = { kind: system.kind, plate: system.plate, components: living };
  const mine = system.readings.filter((r) => r.componentId === part.id);
  const threads = systemThreads(judged, mine, nextRoundAfter(today, policy), policy);
  const thread = threads.find((t) => t.key === threadKey(asked));
  const all = byThread(system.readings);
  const earlier = system.components.filter(
    (c) =>
      c.slot === part.slot &&
      c.id !== part.id &&
      c.removedOn !== null &&
      (part.fittedOn === null || c.removedOn <= part.fittedOn),
  );
  const limits = thread?.state.numeric?.limits;
  return {
    kind,
    point: asked.point as Point,
    part,
    state: thread?.state ?? null,
    inline: thread ? inlineThread(thread.readings.map(judgedReading), thread.state) : null,
    readings: mine.filter((r) => r.kind === asked.kind && r.point === asked.point),
    before: earlier
      .map((old) => ({ part: old, points: numbersOf(all.get(threadKey({ ...asked, componentId: old.id })) ?? []) }))
      .filter((life) => life.points.length > 0)
      .reverse(),
    nominal: limits?.known ? limits.nominal : null,
  };
}
