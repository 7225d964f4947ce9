import { calendarWords, dayOf, visitWords, type Job } from '@yarnix/core';
import ical, { ICalCalendarMethod, ICalEventStatus, ICalEventTransparency, type ICalEventData } from 'ical-generator';
import { momentIn } from '../../moment-in.ts';
import type { CalledOff } from './store.ts';

/** A job's name in every calendar; it stays the same wherever the job moves. */
const uidOf = (key: string): string => `${key.replace(':', '-')}@yarnix`;

const wholeDay = (day: string) => ({ start: new Date(`${day}T00:00:00Z`), allDay: true });

/** From when to when, where that was promised; else the whole day, since a job has a day and no hour. */
function whenOf({ day, window }: Job, zone: string): Pick<ICalEventData, 'start' | 'end' | 'allDay'> {
  if (day === null || window === null) return wholeDay(day ?? '');
  const at = momentIn(zone);
  return { start: new Date(at(dayOf(day), window.from)), end: new Date(at(dayOf(day), window.to)) };
}

function planned(job: Job, zone: string, words: typeof calendarWords): ICalEventData {
  const at = new Date(job.decided?.at ?? 0);
  return {
    id: uidOf(job.key),
    sequence: job.version,
    ...whenOf(job, zone),
    ...words(job),
    location: job.address,
    status: ICalEventStatus.CONFIRMED,
    // Somebody waits at the door: that time is taken.
    transparency: job.window === null ? ICalEventTransparency.TRANSPARENT : ICalEventTransparency.OPAQUE,
    stamp: at,
    lastModified: at,
  };
}

const calledOff = ({ key, day, summary, sequence, at }: CalledOff): ICalEventData => ({
  id: uidOf(key),
  sequence,
  ...wholeDay(day),
  summary,
  status: ICalEventStatus.CANCELLED,
  transparency: ICalEventTransparency.TRANSPARENT,
  stamp: at,
  lastModified: at,
});

/** A calendar as it is written: its name, the firm's time zone, what is planned and what was called off. */
export interface WrittenCalendar {
  readonly name: string;
  readonly zone: string;
  readonly jobs: readonly Job[];
  readonly off?: readonly CalledOff[];
  /** Whom it is for: the firm's own people, or the customer, who is told nothing that was typed for the firm. */
  readonly reader: 'firm' | 'customer';
}

/** Planned jobs, and those called off, as an iCalendar text (RFC 5545). */
export function calendarText({ name, zone, jobs, off = [], reader }: WrittenCalendar): string {
  const calendar = ical({
    name,
    prodId: { company: 'yarnix', product: 'week', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
    ttl: 3600,
  });
  const words = reader === 'firm' ? calendarWords : visitWords;
  for (const job of jobs) calendar.createEvent(planned(job, zone, words));
  for (const one of off) calendar.createEvent(calledOff(one));
  return `${calendar.toString()}\r\n`;
}
