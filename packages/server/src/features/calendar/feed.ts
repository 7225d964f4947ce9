import { calendarWords, type Job } from '@yarnix/core';
import ical, { ICalCalendarMethod, ICalEventStatus, ICalEventTransparency, type ICalEventData } from 'ical-generator';
import type { CalledOff } from './store.ts';

/** A job's name in every calendar; it stays the same wherever the job moves. */
const uidOf = (key: string): string => `${key.replace(':', '-')}@yarnix`;

const wholeDay = (day: string) => ({ start: new Date(`${day}T00:00:00Z`), allDay: true });

function planned(job: Job): ICalEventData {
  const at = new Date(job.decided?.at ?? 0);
  return {
    id: uidOf(job.key),
    sequence: job.version,
    ...wholeDay(job.day ?? ''),
    ...calendarWords(job),
    location: job.address,
    status: ICalEventStatus.CONFIRMED,
    transparency: ICalEventTransparency.TRANSPARENT,
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

/** Planned jobs, and those called off, as an iCalendar text (RFC 5545): whole days, since jobs have a day and no hour. */
export function calendarText(name: string, jobs: readonly Job[], off: readonly CalledOff[] = []): string {
  const calendar = ical({
    name,
    prodId: { company: 'yarnix', product: 'week', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
    ttl: 3600,
  });
  for (const job of jobs) calendar.createEvent(planned(job));
  for (const one of off) calendar.createEvent(calledOff(one));
  return `${calendar.toString()}\r\n`;
}
