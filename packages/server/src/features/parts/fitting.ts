import type { ComponentView, FittedPart } from '@yarnix/core';
import type { Knex } from 'knex';
import type { RequestContext } from '../../identity/context.ts';
import { readingsService } from '../readings/service.ts';
import { partsService } from './service.ts';

/** Fitting a part on the spot: the old life ends, a new one begins, and the system is judged anew, all or nothing. */
export function fittingService(db: Knex, now: () => Date) {
  return {
    fit: (context: RequestContext, id: string, fitted: FittedPart): Promise<ComponentView> =>
      db.transaction(async (trx) => {
        const { part, isNew, systemId } = await partsService(trx).replace(context, id, fitted);
        if (isNew)
          await partsService(trx).refresh(
            context,
            systemId,
            await readingsService(trx).ofSystem(context, systemId),
            now(),
          );
        return part;
      }),
  };
}
