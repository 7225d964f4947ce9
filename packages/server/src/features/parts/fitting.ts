import { dayOf, isoOf, type ComponentView, type FittedPart } from '@yarnix/core';
import type { Knex } from 'knex';
import { ProblemError } from '../../http/problems.ts';
import { checkDayNotAhead, checkNotBeforeYear } from '../../http/times.ts';
import type { RequestContext } from '../../identity/context.ts';
import { readingsService } from '../readings/service.ts';
import { visitsService } from '../visits/service.ts';
import { partsService, type PartInSystem } from './service.ts';

/** Fitting a part on the spot: the old life ends, a new one begins, and the system is judged anew, all or nothing. */
export function fittingService(db: Knex, now: () => Date) {
  /** A part goes in on an open round of its own system, today or before, and not before the old one was last read. */
  async function check(trx: Knex, context: RequestContext, fitted: FittedPart, old: PartInSystem): Promise<void> {
    checkDayNotAhead('fittedOn', fitted.fittedOn, now());
    checkNotBeforeYear('fittedOn', fitted.fittedOn, old.system_plate.year);
    if (fitted.visitId !== undefined) await visitsService(trx, now).open(context, fitted.visitId, old.system_id);
    const last = await readingsService(trx).lastOf(context, old.id);
    const lastDay = last && dayOf(last.toISOString());
    if (lastDay === null || dayOf(fitted.fittedOn) >= lastDay) return;
    const detail = `The old part was still read on ${isoOf(lastDay)}; it cannot have been replaced before.`;
    throw new ProblemError('invalid-request', detail, [{ path: 'fittedOn', detail }]);
  }
  return {
    fit: (context: RequestContext, id: string, fitted: FittedPart): Promise<ComponentView> =>
      db.transaction(async (trx) => {
        const parts = partsService(trx);
        const { part, isNew, systemId } = await parts.replace(context, id, fitted, (old) =>
          check(trx, context, fitted, old),
        );
        if (isNew) await parts.refresh(context, systemId, await readingsService(trx).kept(context, systemId), now());
        return part;
      }),
  };
}
