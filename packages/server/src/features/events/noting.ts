import type { EventView, NewEvent } from '@yarnix/core';
import type { Knex } from 'knex';
import type { RequestContext } from '../../identity/context.ts';
import { partsService } from '../parts/service.ts';
import { readingsService } from '../readings/service.ts';
import { visitsService } from '../visits/service.ts';
import { eventsService } from './service.ts';

/** Noting a repair: the system is judged anew with it, all or nothing. */
export const noteEventService = (db: Knex, now: () => Date) => ({
  note: (context: RequestContext, id: string, event: NewEvent): Promise<EventView> =>
    db.transaction(async (trx) => {
      const { systemId } = await visitsService(trx).visit(context, event.visitId);
      const noted = await eventsService(trx).put(context, id, systemId, event);
      const readings = await readingsService(trx).ofSystem(context, systemId);
      await partsService(trx).refresh(context, systemId, readings, now());
      return noted;
    }),
});
