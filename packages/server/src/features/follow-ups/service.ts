import type { FollowUpView, NewFollowUp, NewReading } from '@yarnix/core';
import type { Knex } from 'knex';
import { notFound, ProblemError } from '../../http/problems.ts';
import type { RequestContext } from '../../identity/context.ts';
import { partsService } from '../parts/service.ts';
import { followUpsStore } from './store.ts';

/** Readings put off, each with a reason and a day; a later reading at the same place settles it. */
export function followUpsService(db: Knex) {
  const store = followUpsStore(db);
  return {
    ofSystem: (context: RequestContext, systemId: string) => store.ofSystem(context, systemId),
    toDo: (context: RequestContext) => store.toDo(context),
    settledBy: (context: RequestContext, id: string, reading: NewReading) => store.settle(context, { id, ...reading }),
    async put(context: RequestContext, id: string, asked: NewFollowUp): Promise<FollowUpView> {
      const part = await partsService(db).find(context, asked.componentId);
      if (!part) throw notFound('part');
      await store.put(context, id, part.system_id, asked);
      const kept = await store.find(context, id);
      if (kept?.componentId !== asked.componentId) throw new ProblemError('id-taken', 'Another follow-up has this id.');
      return kept;
    },
  };
}
