import type { EventView, NewEvent } from '@yarnix/core';
import type { Knex } from 'knex';
import type { RequestContext } from '../../identity/context.ts';
import { holdSystem } from '../../database/hold.ts';
import { checkDayNotAhead, checkNotBefore } from '../../http/times.ts';
import { partsService } from '../parts/service.ts';
import { readingsService } from '../readings/service.ts';
import { visitsService } from '../visits/service.ts';
import { eventsService, viewOf } from './service.ts';

/** Noting a repair: the system is judged anew with it, all or nothing. */
export const noteEventService = (db: Knex, now: () => Date) => ({
  note: (context: RequestContext, id: string, event: NewEvent): Promise<EventView> =>
    db.transaction(async (trx) => {
      const visits = visitsService(trx, now);
      const { systemId } = await visits.visit(context, event.visitId);
      await holdSystem(trx, context, systemId);
      const events = eventsService(trx);
      if (await events.isKept(context, id, event)) return viewOf(id, event);
      const { startedAt } = await visits.open(context, event.visitId, systemId);
      checkNotBefore('on', event.on, startedAt.slice(0, 10), 'the day this round began');
      checkDayNotAhead('on', event.on, now());
      const noted = await events.put(context, id, systemId, event);
      const readings = await readingsService(trx).kept(context, systemId);
      await partsService(trx).refresh(context, systemId, readings, now());
      return noted;
    }),
});
