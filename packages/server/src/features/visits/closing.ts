import type { Closing, VisitView } from '@yarnix/core';
import type { Knex } from 'knex';
import { holdSystem } from '../../database/hold.ts';
import { ProblemError } from '../../http/problems.ts';
import { checkNotAhead } from '../../http/times.ts';
import type { RequestContext } from '../../identity/context.ts';
import { looseEndsService } from '../loose-ends/service.ts';
import { visitsService } from './service.ts';
import { visitsStore } from './store.ts';

/** Closing rounds. Closing one twice alike is closing it once; what hangs loose is asked once its system is held. */
export const closingService = (db: Knex, now: () => Date) => ({
  close: (context: RequestContext, id: string, closing: Closing): Promise<VisitView> =>
    db.transaction(async (trx) => {
      const visits = visitsService(trx, now);
      await holdSystem(trx, context, (await visits.visit(context, id)).systemId);
      const found = await visits.visit(context, id);
      if (found.closedAt !== null) {
        if (found.closedAt === closing.closedAt && found.note === (closing.note ?? null)) return found;
        throw new ProblemError('visit-closed', `This round was closed on ${found.closedAt.slice(0, 10)} already.`);
      }
      checkNotAhead('closedAt', closing.closedAt, now());
      if (Date.parse(closing.closedAt) < Date.parse(found.startedAt)) {
        const detail = 'A round cannot close before it started.';
        throw new ProblemError('invalid-request', detail, [{ path: 'closedAt', detail }]);
      }
      await looseEndsService(trx, now).checkNoneLoose(context, id);
      await visitsStore(trx).close(context, id, closing.closedAt, closing.note ?? null);
      return visits.visit(context, id);
    }),
});
