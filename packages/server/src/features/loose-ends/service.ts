import { nameOfLooseEnd, stillLoose, type LooseEndView, type NewLooseEnd, type VisitView } from '@yarnix/core';
import { isDeepStrictEqual } from 'node:util';
import { holdSystem } from '../../database/hold.ts';
import { ProblemError } from '../../http/problems.ts';
import { checkNotAhead, checkNotBefore } from '../../http/times.ts';
import type { RequestContext } from '../../identity/context.ts';
import type { On } from '../../wiring.ts';
import { looseEndsStore } from './store.ts';

interface Needs {
  readonly visits: {
    visit(context: RequestContext, id: string): Promise<VisitView>;
    open(context: RequestContext, id: string, systemId: string): Promise<VisitView>;
  };
}

/** Whether two states are of one loose end: what it is never changes, only whether it hangs. */
const isSameEnd = (a: NewLooseEnd, b: NewLooseEnd): boolean =>
  a.visitId === b.visitId && a.code === b.code && a.text === b.text && a.openedAt === b.openedAt;

/** Loose ends of rounds: opened, put back, or left with a reason. */
export function looseEndsService({ db, now, transact }: On<Needs>) {
  const store = looseEndsStore(db);
  return {
    ofSystem: (context: RequestContext, systemId: string): Promise<LooseEndView[]> =>
      store.where(context, { system_id: systemId }),
    /** Refuses when anything of the visit still hangs loose without a reason. */
    async checkNoneLoose(context: RequestContext, visitId: string): Promise<void> {
      const loose = stillLoose(await store.where(context, { visit_id: visitId }));
      if (loose.length === 0) return;
      const detail = `Still loose: ${loose.map(nameOfLooseEnd).join(', ')}. Put it back, or write why it stays.`;
      throw new ProblemError('loose-ends-open', detail);
    },
    /** Keeps a loose end as it now stands, while its round is open; answers with what is kept. */
    put: (context: RequestContext, id: string, end: NewLooseEnd): Promise<LooseEndView> =>
      transact(async ({ db: held, needs: { visits } }) => {
        const { systemId } = await visits.visit(context, end.visitId);
        await holdSystem(held, context, systemId);
        const kept = await looseEndsStore(held).find(context, id);
        if (kept && isDeepStrictEqual(kept, { id, ...end })) return kept;
        if (kept && !isSameEnd(kept, end)) throw new ProblemError('id-taken', 'Another loose end has this id.');
        const { startedAt } = await visits.open(context, end.visitId, systemId);
        checkNotBefore('openedAt', end.openedAt, startedAt, 'the day this round began');
        checkNotAhead('openedAt', end.openedAt, now());
        if (end.putBackAt !== null) checkNotAhead('putBackAt', end.putBackAt, now());
        return looseEndsStore(held).put(context, id, systemId, end);
      }),
  };
}
