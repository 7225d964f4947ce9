import {
  dateOf,
  isoOf,
  PUT_OFF_REASONS,
  readingKind,
  sayFigure,
  seasonOf,
  titleOf,
  type Day,
  type FollowUpView,
  type InlineThreadData,
  type ReadingKind,
} from '@yarnix/core';
import { dayHere } from './local-day.ts';

/** "spring 2026": the round a day belongs to, short. */
export const roundName = (day: Day): string => `${seasonOf(day)} ${isoOf(day).slice(0, 4)}`;

/** The last values beside a field: "39.6 fall 2026, 40.4 spring 2026". */
export const lastValues = (before: readonly { value: number; day: Day }[], kind: ReadingKind, count: number): string =>
  before
    .slice(0, count)
    .map((b) => `${sayFigure(kind, b.value)} ${roundName(b.day)}`)
    .join(', ');

/** The part's own baseline beside a field: " · baseline 41.2"; nothing where it has none. */
export const baselineWords = (field: { thread: InlineThreadData; planned: { kind: ReadingKind } }): string =>
  field.thread.baseline === null ? '' : ` · baseline ${sayFigure(field.planned.kind, field.thread.baseline)}`;

/** "April 12, 2026" from an ISO date or timestamp. */
export const dateWords = (iso: string): string => dateOf(dayHere(iso));

/** A follow-up in words: what, why, by when. */
export function followUpWords(f: Pick<FollowUpView, 'kind' | 'point' | 'reason' | 'note'>): {
  title: string;
  why: string;
} {
  const kind = readingKind(f.kind);
  return {
    title: kind ? titleOf(kind, f.point) : f.kind,
    why: f.note ?? PUT_OFF_REASONS[f.reason].label.toLowerCase(),
  };
}
