import type { NewCall, ProvedCauses, VisitView } from '@yarnix/core';
import { isDeepStrictEqual } from 'node:util';
import { holdSystem } from '../../database/hold.ts';
import { checkNotAhead, checkNotBefore } from '../../http/times.ts';
import type { RequestContext } from '../../identity/context.ts';
import type { On } from '../../wiring.ts';
import { visitsStore } from './store.ts';

interface Needs {
  readonly visits: {
    visit(context: RequestContext, id: string): Promise<VisitView>;
    open(context: RequestContext, id: string, systemId: string): Promise<VisitView>;
  };
}

/** Calls: what a visit outside of the rounds is about, and how it ends. The latest state holds. */
export const callsService = ({ db, now, transact }: On<Needs>) => ({
  /** Keeps a call as it now stands while its visit is open; what is kept just so already is answered at any time. */
  put: (context: RequestContext, id: string, call: NewCall): Promise<VisitView> =>
    transact(async ({ db: held, needs: { visits } }) => {
      const { systemId } = await visits.visit(context, id);
      await holdSystem(held, context, systemId);
      const kept = await visits.visit(context, id);
      if (isDeepStrictEqual(kept.call, call)) return kept;
      const { startedAt } = await visits.open(context, id, systemId);
      call.repaired.forEach(({ at }, i) => {
        checkNotAhead(`repaired.${i}.at`, at, now());
        checkNotBefore(`repaired.${i}.at`, at, startedAt, 'the day this visit began');
      });
      await visitsStore(held).keepCall(context, id, call);
      return visits.visit(context, id);
    }),
  /** How often each fault was proved in the firm. */
  proved: async (context: RequestContext): Promise<ProvedCauses> => ({ proved: await visitsStore(db).proved(context) }),
});
