import { happened, type SystemDetail, type SystemEvent } from '@yarnix/core';

/** What was done to a system, as judging sees it. */
export const eventsOf = (system: Pick<SystemDetail, 'events' | 'zone'>): SystemEvent[] =>
  system.events.map((event) => happened(event, system.zone));
