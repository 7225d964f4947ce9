import {
  believedThrough,
  byThread,
  dayOf,
  EVENTS,
  inlineThread,
  isNumeric,
  movesReading,
  readingKind,
  threadKey,
  type ComponentView,
  type Day,
  type InlineThreadData,
  type Point,
  type Policy,
  type ReadingKind,
  type ReadingView,
  type Session,
  type SystemDetail,
  type SystemThread,
  type ThreadState,
} from '@yarnix/core';
import { dayHere } from '../kit/local-day.ts';
import { eventsOf } from './events-of.ts';
import { judgedPart, livingThreads } from './living-threads.ts';

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
  /** Where watching begins, kind's unit; null when it does not. */
  readonly watchFrom: number | null;
  /** Each number as compared, by the reading's id, and whether it was set aside as odd. */
  readonly compared: ReadonlyMap<string, ComparedValue>;
  /** Where the part was believed to be at each visit, common conditions; the fray begins at the last of them. */
  readonly believed: readonly { readonly day: Day; readonly value: number }[];
  /** The common conditions, in words; null where a kind has none. */
  readonly common: string | null;
  /** Repairs since the part was fitted that may have moved this thread. */
  readonly events: readonly { readonly day: Day; readonly title: string }[];
}

export interface ComparedValue {
  readonly value: number;
  readonly known: boolean;
  readonly odd: boolean;
}

const numbersOf = (readings: readonly ReadingView[]) =>
  readings.filter((r) => r.value !== null).map((r) => ({ day: dayHere(r.takenAt), value: r.value ?? 0 }));

const aboutOf = (system: SystemDetail, part: ComponentView, point: Point) => ({
  systemKind: system.kind,
  plate: system.plate,
  component: judgedPart(part),
  point,
});

const believedOf = (
  system: SystemDetail,
  { readings, state }: SystemThread<ReadingView, unknown>,
  part: ComponentView,
  firm: { policy: Policy; prior: Session['firm']['prior'] },
) =>
  believedThrough(
    {
      kind: state.kind,
      point: state.point,
      plate: system.plate,
      systemKind: system.kind,
      component: judgedPart(part),
      events: eventsOf(system),
      readings: readings.filter(isNumeric),
    },
    firm.policy,
    firm.prior ?? undefined,
  );

/** What the verdict made of each reading, by its id. */
function comparedOf(thread: SystemThread<ReadingView, unknown> | undefined): Map<string, ComparedValue> {
  const numeric = thread?.state.numeric;
  return new Map(
    numeric?.compared.flatMap(({ reading: { id }, value, known }, index) =>
      id === undefined ? [] : [[id, { value, known, odd: numeric.setAside.includes(index) }] as const],
    ),
  );
}

/** Gathers a thread from a system; null when it has no such part or kind. */
export function threadData(
  system: SystemDetail,
  asked: { componentId: string; kind: string; point: string },
  firm: { policy: Policy; prior: Session['firm']['prior'] },
  today: Day,
): ThreadData | null {
  const part = system.components.find((c) => c.id === asked.componentId);
  const kind = readingKind(asked.kind);
  if (!part || !kind) return null;
  const mine = system.readings.filter((r) => r.componentId === part.id);
  const threads = livingThreads(system, firm, today, part);
  const thread = threads.find((t) => t.key === threadKey(asked));
  const all = byThread(system.readings);
  const earlier = system.components.filter(
    (c) =>
      c.slot === part.slot &&
      c.id !== part.id &&
      c.removedOn !== null &&
      (part.fittedOn === null || c.removedOn <= part.fittedOn),
  );
  const limits = thread?.state.numeric?.commonLimits;
  const measured = kind.type === 'number' ? kind : undefined;
  return {
    kind,
    point: asked.point as Point,
    part,
    state: thread?.state ?? null,
    inline: thread ? inlineThread(thread.state) : null,
    readings: mine.filter((r) => r.kind === asked.kind && r.point === asked.point),
    before: earlier
      .map((old) => ({ part: old, points: numbersOf(all.get(threadKey({ ...asked, componentId: old.id })) ?? []) }))
      .filter((life) => life.points.length > 0)
      .reverse(),
    nominal: limits?.known ? limits.nominal : null,
    watchFrom: limits?.known ? (measured?.wear === 'falls' ? limits.watchLower : limits.watchUpper) : null,
    compared: comparedOf(thread),
    believed: thread ? believedOf(system, thread, part, firm) : [],
    common: measured?.likeForLike?.words(aboutOf(system, part, asked.point as Point)) ?? null,
    events: system.events
      .filter((e) => part.fittedOn === null || e.on >= part.fittedOn)
      .filter((e) => movesReading(e.kind, kind.id, asked.point as Point))
      .map((e) => ({ day: dayOf(e.on), title: EVENTS[e.kind].title })),
  };
}

/** How a chart shows values: brought to common conditions, or as they were read. */
export type ChartView = 'compared' | 'read';

/** A reading as a chart shows it. */
export interface ChartPoint {
  readonly day: Day;
  readonly value: number;
  readonly reading: ReadingView;
  readonly odd: boolean;
}

/** The numbers of this life that count, in order of time. */
export function chartPoints(data: ThreadData, view: ChartView): ChartPoint[] {
  const counting = data.compared.size > 0 ? data.readings.filter((r) => data.compared.has(r.id)) : data.readings;
  return counting
    .filter((r) => r.value !== null && !r.superseded)
    .map((reading) => {
      const compared = data.compared.get(reading.id);
      const value = view === 'compared' && compared ? compared.value : (reading.value ?? 0);
      return { day: dayHere(reading.takenAt), value, reading, odd: compared?.odd ?? false };
    })
    .sort((a, b) => a.day - b.day);
}
