import { dayOf, type EventView, type NewEvent, type SystemEvent } from '@yarnix/core';
import type { Knex } from 'knex';
import { isDeepStrictEqual } from 'node:util';
import { ProblemError } from '../../http/problems.ts';
import type { RequestContext } from '../../identity/context.ts';
import { eventsStore } from './store.ts';

export const viewOf = (id: string, { visitId, kind, on, note }: NewEvent): EventView => ({
  id,
  visitId,
  kind,
  on,
  note,
});

/** What was done to systems, besides parts replaced: it moves readings without wear. */
export function eventsService(db: Knex) {
  const store = eventsStore(db);
  return {
    ofSystem: (context: RequestContext, systemId: string): Promise<EventView[]> => store.ofSystem(context, systemId),
    /** As judging sees them. */
    happenedTo: async (context: RequestContext, systemId: string): Promise<SystemEvent[]> =>
      (await store.ofSystem(context, systemId)).map(({ kind, on }) => ({ kind, day: dayOf(on) })),
    /** Whether a repair is kept just so already. Throws id-taken when another visit's, or another kind of repair, has the id. */
    async isKept(context: RequestContext, id: string, event: NewEvent): Promise<boolean> {
      const kept = await store.find(context, id);
      if (!kept) return false;
      if (kept.visitId !== event.visitId || kept.kind !== event.kind)
        throw new ProblemError('id-taken', 'Another repair has this id.');
      return isDeepStrictEqual(kept, { id, ...event });
    },
    async put(context: RequestContext, id: string, systemId: string, event: NewEvent): Promise<EventView> {
      if (!(await store.put(context, id, systemId, event)))
        throw new ProblemError('id-taken', 'Another repair has this id.');
      return viewOf(id, event);
    },
  };
}
