import type { Point } from '../../equipment/component.ts';
import { dayAt } from '../../quantity/day-in.ts';
import type { Day } from '../../quantity/day.ts';
import type { Interpretation } from '../../verdict/interpretation.ts';
import type { Standing } from '../../verdict/standing.ts';
import type { Conditions } from './conditions.ts';
import type { Inputs } from './entry.ts';
import type { InstrumentKind } from './quantities.ts';

/** What a technician put in place of a reading's verdict: both are kept, and the thread follows it until the next reading. */
export interface Ruling {
  readonly standing: Standing;
  readonly why: string;
  /** Initials. */
  readonly by: string;
}

/** A reading as it is kept: the same from the store to the chart, under one id. */
export interface Reading {
  readonly id: string;
  readonly visitId: string;
  readonly componentId: string;
  readonly kind: string;
  readonly point: Point;
  readonly method: string;
  /** In the kind's unit; null where nothing was measured. */
  readonly value: number | null;
  /** What was found, by code, in the order it was found. */
  readonly findings: readonly string[];
  /** UTC timestamp. */
  readonly takenAt: string;
  readonly supersedes: string | null;
  readonly conditions?: Conditions | undefined;
  readonly inputs?: Inputs | undefined;
  readonly ruling?: Ruling | null | undefined;
  readonly instrument?: ReadWith | null | undefined;
  /** What it says, weighed with all of its visit; worked out, never kept. Absent where it counts as it is. */
  readonly read?: Interpretation | undefined;
}

/** A reading with the day it was taken where the firm is. */
export type DatedReading<R extends Reading = Reading> = R & { readonly day: Day };

/** Adds the day in a time zone to a reading. The day comes first: a copy that grows after it is made costs four times as much. */
export const dated = <R extends Reading>(reading: R, zone: string | undefined): DatedReading<R> => ({
  day: dayAt(zone, reading.takenAt),
  ...reading,
});

/** The instruments a reading was taken with: by their kind, or one name for whatever it took. */
export type ReadWith = string | Readonly<Partial<Record<InstrumentKind, string>>>;

/** What judging looks at of a reading, whether it is kept or only typed yet. */
export type JudgedReading = Pick<
  DatedReading,
  | 'id'
  | 'kind'
  | 'point'
  | 'method'
  | 'value'
  | 'findings'
  | 'day'
  | 'conditions'
  | 'inputs'
  | 'ruling'
  | 'instrument'
  | 'read'
> & {
  /** Left out of what is only being typed. */
  readonly takenAt?: string | undefined;
};

/** A number of a thread: what a series is made of. */
export interface ThreadReading extends Pick<
  JudgedReading,
  'day' | 'method' | 'conditions' | 'inputs' | 'takenAt' | 'instrument' | 'read'
> {
  /** Of the reading it is; left out where a series comes from elsewhere. */
  readonly id?: string | undefined;
  /** In the kind's unit, as read. */
  readonly value: number;
}

/** Whether a reading is a number. */
export const isNumeric = <R extends { value: number | null }>(r: R): r is R & { value: number } => r.value !== null;

/** Whether a reading tells of wear: it was taken in the state it was meant to be taken in, and its part was whole. */
export const isCounted = ({ read }: Pick<JudgedReading, 'read'>): boolean =>
  read === undefined || read.says === 'counts';
