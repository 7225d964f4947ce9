import { dayOf, type EventView, type NewEvent, type SystemEvent } from '@yarnix/core';
import type { Knex } from 'knex';
import { ProblemError } from '../../http/problems.ts';
import type { RequestContext } from '../../identity/context.ts';
import { eventsStore } from './store.ts';

/** What was done to systems, besides parts replaced: it moves readings without wear. */
export function eventsService(db: Knex) {
  const store = eventsStore(db);
  return {
    ofSystem: (context: RequestContext, systemId: string): Promise<EventView[]> => store.ofSystem(context, systemId),
    /** As judging sees them. */
    happenedTo: async (context: RequestContext, systemId: string): Promise<SystemEvent[]> =>
      (await store.ofSystem(context, systemId)).map(({ kind, on }) => ({ kind, day: dayOf(on) })),
    async put(context: RequestContext, id: string, systemId: string, event: NewEvent): Promise<EventView> {
      if (!(await store.put(context, id, systemId, event)))
        throw new ProblemError('id-taken', 'Another repair has this id.');
      const { visitId, kind, on, note } = event;
      return { id, visitId, kind, on, note };
    },
  };
}
