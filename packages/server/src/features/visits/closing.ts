import { dateOf, type Closing, type Day, type VisitView } from '@yarnix/core';
import { holdSystem } from '../../database/hold.ts';
import { ProblemError } from '../../http/problems.ts';
import { checkNotAhead } from '../../http/times.ts';
import type { RequestContext } from '../../identity/context.ts';
import type { Writing } from '../../wiring.ts';
import { visitsStore } from './store.ts';

interface Needs {
  readonly planning: { dayOf(context: RequestContext, moment: string): Promise<Day> };
  readonly visits: { visit(context: RequestContext, id: string): Promise<VisitView> };
  /** Throws when anything of the visit still hangs loose without a reason. */
  readonly looseEnds: { checkNoneLoose(context: RequestContext, visitId: string): Promise<void> };
}

/** Closing rounds. Closing one twice alike is closing it once; what hangs loose is asked once its system is held. */
export const closingService = ({ now, transact }: Writing<Needs>) => ({
  close: (context: RequestContext, id: string, closing: Closing): Promise<VisitView> =>
    transact(async ({ db: held, needs: { planning, visits, looseEnds } }) => {
      await holdSystem(held, context, (await visits.visit(context, id)).systemId);
      const found = await visits.visit(context, id);
      if (found.closedAt !== null) {
        if (found.closedAt === closing.closedAt && found.note === (closing.note ?? null)) return found;
        throw new ProblemError(
          'visit-closed',
          `This round was closed on ${dateOf(await planning.dayOf(context, found.closedAt))} already.`,
        );
      }
      checkNotAhead('closedAt', closing.closedAt, now());
      if (Date.parse(closing.closedAt) < Date.parse(found.startedAt)) {
        const detail = 'A round cannot close before it started.';
        throw new ProblemError('invalid-request', detail, [{ path: 'closedAt', detail }]);
      }
      await looseEnds.checkNoneLoose(context, id);
      await visitsStore(held).close(context, id, closing.closedAt, closing.note ?? null);
      return visits.visit(context, id);
    }),
});
