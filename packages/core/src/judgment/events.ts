import type { Point } from '../equipment/component.ts';
import { MOVED_SETTINGS, type SettingMoved } from '../equipment/moved-settings.ts';
import { dayAt } from '../quantity/day-in.ts';
import { dayOf, type Day } from '../quantity/day.ts';
import { momentOfId } from '../quantity/moment-of-id.ts';
import { isOwn } from '../quantity/own.ts';
import type { ReadingKindId } from '../readings/contract/kind-ids.ts';

interface Moving {
  readonly title: string;
  readonly moves: readonly ReadingKindId[];
  /** Of those, the points alone that it may move; left out where it moves them all. */
  readonly points?: readonly Point[];
  /** Which element of the heat it is of, counted from 1. */
  readonly element?: number;
}

/** One element of several replaced: its own readings begin anew, and what is read of them all; the others go on. */
const element = (n: 1 | 2 | 3 | 4 | 5 | 6) => ({
  title: `Element ${n} of the heat replaced`,
  element: n,
  moves: ['heater-amps', 'element-ohms', 'heat-rise'] as const satisfies readonly ReadingKindId[],
  points: [`element-${n}`, 'total', 'whole', 'circuit-1', 'circuit-2', 'circuit-3'] as const,
});

/**
 * Repairs and changes that move readings without a part having worn or been replaced, and the kinds of reading whose
 * level they may move. Common practice, no source.
 */
export const EVENTS = {
  'charge-corrected': {
    title: 'Charge corrected',
    moves: [
      'superheat',
      'subcooling',
      'heating-pressure',
      'temperature-split',
      'compressor-amps',
      'delivered-capacity',
    ],
  },
  'indoor-coil-cleaned': {
    title: 'Indoor coil cleaned',
    moves: ['temperature-split', 'airflow', 'heat-rise', 'gas-rise', 'blower-amps', 'superheat', 'delivered-capacity'],
  },
  'outdoor-coil-cleaned': {
    title: 'Outdoor coil cleaned',
    moves: ['compressor-amps', 'subcooling', 'outdoor-fan-amps', 'heating-pressure', 'defrost-duration'],
  },
  'filter-changed': {
    title: 'Filter changed',
    moves: ['blower-amps', 'airflow', 'temperature-split', 'heat-rise', 'gas-rise', 'superheat'],
  },
  'blower-speed-changed': {
    title: 'Blower speed changed',
    moves: ['blower-amps', 'airflow', 'temperature-split', 'heat-rise', 'gas-rise', 'delivered-capacity'],
  },
  'contacts-dressed': { title: 'Contacts dressed or tightened', moves: ['contact-drop'] },
  'element-1-replaced': element(1),
  'element-2-replaced': element(2),
  'element-3-replaced': element(3),
  'element-4-replaced': element(4),
  'element-5-replaced': element(5),
  'element-6-replaced': element(6),
  'gas-adjusted': { title: 'Gas pressure adjusted', moves: ['gas-rise'] },
  'other-repair': { title: 'Another repair', moves: [] },
  'termination-moved': { title: 'Termination jumper moved', moves: ['defrost-duration'] },
  'interval-moved': { title: 'Interval jumper moved', moves: [] },
} as const satisfies Record<SettingMoved, Moving> & Record<string, Moving>;

/** Whether an event moves a setting. */
export const isSettingMoved = (kind: EventKind): kind is SettingMoved => isOwn(MOVED_SETTINGS, kind);

export type EventKind = keyof typeof EVENTS;
export const EVENT_KINDS = Object.keys(EVENTS) as EventKind[];

/** Something that was done to a system on a day. */
export interface SystemEvent {
  readonly kind: EventKind;
  readonly day: Day;
  /** When on that day, UTC, where it is known. */
  readonly at?: string | undefined;
}

/** An event as judging sees it: its id tells when it was noted, which counts where that is the day it was done, in `zone`. */
export function happened({ id, kind, on }: { id: string; kind: EventKind; on: string }, zone?: string): SystemEvent {
  const at = momentOfId(id);
  const day = dayOf(on);
  return at !== null && dayAt(zone, at) === day ? { kind, day, at } : { kind, day };
}

/** When a kind's readings may have come to lie elsewhere. */
export type Shift = Pick<SystemEvent, 'day' | 'at'>;

/** Whether an event may move readings of a kind at a point. */
export function movesReading(event: EventKind, kind: string, point: Point): boolean {
  const { moves, points }: Moving = EVENTS[event];
  return moves.some((moved) => moved === kind) && (points?.includes(point) ?? true);
}

/** The moments after which a kind's readings at a point may lie elsewhere. */
export const shiftsOf = (kind: string, point: Point, events: readonly SystemEvent[]): Shift[] =>
  events.filter((e) => movesReading(e.kind, kind, point)).map(({ day, at }) => ({ day, at }));

/** Which element of the heat an event is of; null for all others. */
export const elementOf = (event: EventKind): number | null => {
  const { element: n }: Moving = EVENTS[event];
  return n ?? null;
};

/** Whether an event replaced what a point is read of: readings before it are of what is gone. */
export const renewsPoint = (event: EventKind, point: Point): boolean => point === `element-${elementOf(event)}`;

/**
 * Whether a reading was taken since a shift: by the moment where both are known, so that the readings before and after a
 * repair of one visit fall apart there, else by the day. What is only being typed is taken now.
 */
export const isSince = (reading: { day: Day; takenAt?: string | undefined }, { day, at }: Shift): boolean =>
  at !== undefined && reading.day === day ? reading.takenAt === undefined || reading.takenAt > at : reading.day > day;
