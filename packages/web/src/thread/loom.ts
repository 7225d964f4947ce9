import {
  ASK_WORDS,
  askOf,
  byThread,
  dayOf,
  EVENTS,
  inlineThread,
  isoOf,
  movesReading,
  nextRoundAfter,
  readingKind,
  severityOf,
  SLOT_NAMES,
  SLOTS,
  threadKey,
  titleOf,
  titleOn,
  type Because,
  type ComponentView,
  type Day,
  type InlineThreadData,
  type ReadingKind,
  type Session,
  type Standing,
  type SystemDetail,
} from '@yarnix/core';
import { dayHere } from '../kit/local-day.ts';
import type { Span } from './geometry.ts';
import { livingThreads, type LivingThread } from './living-threads.ts';

type Points = InlineThreadData['points'];

/** One thread on the loom, with what is marked along it. */
export interface Strand {
  readonly key: string;
  /** The thread's own screen, from the system's. */
  readonly path: string;
  readonly part: ComponentView;
  readonly kind: ReadingKind;
  readonly title: string;
  /** The title where the part's name does not stand over it. */
  readonly fullTitle: string;
  readonly standing: Standing;
  readonly value: number | null;
  readonly because: Because;
  /** What its trend says besides, where that is not what decides. */
  readonly trend: Because | null;
  /** What to do next; empty where nothing is asked. */
  readonly next: string;
  readonly data: InlineThreadData;
  /** Days on which it was looked at or read. */
  readonly days: readonly Day[];
  /** The day its part was fitted, where another was in its place before. */
  readonly fitted: Day | null;
  readonly before: readonly Points[];
  readonly repairs: readonly { readonly day: Day; readonly title: string }[];
}

/** All threads of a machine over the same days. */
export interface Loom {
  readonly span: Span;
  readonly years: readonly { readonly day: Day; readonly year: string }[];
  readonly visits: readonly Day[];
  readonly nextRound: Day;
  /** What needs eyes, the worst first. */
  readonly eyes: readonly Strand[];
  /** What could not be judged. */
  readonly unproven: readonly Strand[];
  /** What is sound and has a number. */
  readonly quiet: readonly Strand[];
  /** What is sound and was looked at or called. */
  readonly looks: readonly Strand[];
  /** Parts that nothing was read of yet. */
  readonly unread: readonly ComponentView[];
}

/** A loom reaches back so many days at least, and so many past the next round. */
const LEAST_DAYS = 180;
const DAYS_AFTER = 10;

/** The parts that were in a part's place before it. */
const livesBefore = (system: SystemDetail, part: ComponentView): ComponentView[] =>
  part.fittedOn === null
    ? []
    : system.components.filter(
        (c) => c.slot === part.slot && c.removedOn !== null && c.removedOn <= (part.fittedOn ?? ''),
      );

const pointsOf = (readings: SystemDetail['readings']): Points =>
  readings
    .filter((r) => r.value !== null && Number.isFinite(r.value))
    .map((r) => ({ day: dayHere(r.takenAt), value: r.value ?? 0 }))
    .sort((a, b) => a.day - b.day);

function strandOf(
  system: SystemDetail,
  readings: Map<string, SystemDetail['readings']>,
  thread: LivingThread,
): Strand[] {
  const { state } = thread;
  const kind = readingKind(state.kind);
  const part = system.components.find((c) => c.id === thread.component.id);
  if (!kind || !part) return [];
  const earlier = livesBefore(system, part);
  const asked = { kind: state.kind, point: state.point };
  const trend = state.reasons.find((r) => r.basis === 'trend')?.because ?? null;
  return [
    {
      key: thread.key,
      path: `threads/${part.id}/${state.kind}/${state.point}`,
      part,
      kind,
      title: titleOf(kind, state.point),
      fullTitle: titleOn(kind, state.point, thread.component),
      standing: state.standing,
      value: state.lastValue,
      because: state.lead.because,
      trend: trend === state.lead.because ? null : trend,
      next: ASK_WORDS[askOf(state.lead)],
      data: inlineThread(state),
      days: [...new Set(thread.readings.map((r) => r.day))],
      fitted: earlier.length > 0 && part.fittedOn !== null ? dayOf(part.fittedOn) : null,
      before: earlier
        .map((old) => pointsOf(readings.get(threadKey({ ...asked, componentId: old.id })) ?? []))
        .filter((points) => points.length > 0),
      repairs: system.events
        .filter((e) => movesReading(e.kind, kind.id, state.point))
        .map((e) => ({ day: dayOf(e.on), title: EVENTS[e.kind].title })),
    },
  ];
}

/** The first of January of each year within the days, and not so near their end that its name would not fit. */
function yearsIn({ from, to }: Span): Loom['years'] {
  const years: { day: Day; year: string }[] = [];
  for (let year = Number(isoOf(from).slice(0, 4)) + 1; dayOf(`${year}-01-01`) < to; year += 1)
    years.push({ day: dayOf(`${year}-01-01`), year: String(year) });
  return years;
}

/** By the part's place in a machine, then as they are named. */
const inOrder = (strands: readonly Strand[]): Strand[] =>
  [...strands].sort(
    (a, b) =>
      SLOTS.indexOf(a.part.slot) - SLOTS.indexOf(b.part.slot) ||
      a.fullTitle.localeCompare(b.fullTitle, 'en', { numeric: true }),
  );

/** A machine's threads as they stand on a day, side by side. */
export function loomOf(system: SystemDetail, firm: Pick<Session['firm'], 'policy' | 'prior'>, today: Day): Loom {
  const threads = livingThreads(system, firm, today);
  const urgency = new Map(threads.map((t) => [t.key, t.state.urgency]));
  const readings = byThread(system.readings);
  const strands = threads.flatMap((t) => strandOf(system, readings, t));
  const visits = [...new Set(system.visits.map((v) => dayHere(v.startedAt)))].sort((a, b) => a - b);
  const nextRound = nextRoundAfter(today, firm.policy);
  const days = [
    ...visits,
    ...strands.flatMap((s) => [
      ...s.days,
      ...s.data.points.map((p) => p.day),
      ...s.before.flatMap((b) => b.map((p) => p.day)),
    ]),
  ];
  const from = days.reduce((a, b) => Math.min(a, b), today - LEAST_DAYS);
  const read = new Set(strands.map((s) => s.part.id));
  const sound = strands.filter((s) => s.standing === 'sound');
  return {
    span: { from, to: nextRound + DAYS_AFTER },
    years: yearsIn({ from, to: nextRound }),
    visits,
    nextRound,
    eyes: strands
      .filter((s) => s.standing !== 'sound' && s.standing !== 'unproven')
      .sort(
        (a, b) =>
          severityOf(b.standing) - severityOf(a.standing) || (urgency.get(b.key) ?? 0) - (urgency.get(a.key) ?? 0),
      ),
    unproven: inOrder(strands.filter((s) => s.standing === 'unproven')),
    quiet: inOrder(sound.filter((s) => s.data.points.length > 0)),
    looks: inOrder(sound.filter((s) => s.data.points.length === 0)),
    unread: system.components.filter((c) => c.removedOn === null && !read.has(c.id)),
  };
}

/** What a machine's first line says of it: "two parts to look at". */
export function saySummary(loom: Loom): string {
  const parts = new Set(loom.eyes.map((s) => s.part.id)).size;
  if (loom.eyes.length + loom.quiet.length + loom.looks.length + loom.unproven.length === 0) return 'nothing read yet';
  if (parts === 0) return 'nothing needs eyes';
  const first = loom.eyes[0];
  if (parts === 1 && first) return `${SLOT_NAMES[first.part.slot].toLowerCase()} to look at`;
  return `${WORDS[parts] ?? parts} parts to look at`;
}

const WORDS: readonly string[] = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine'];
