import { stillLoose, nameOfLooseEnd, type LooseEndView, type NewLooseEnd } from '@yarnix/core';
import type { Knex } from 'knex';
import { ProblemError } from '../../http/problems.ts';
import type { RequestContext } from '../../identity/context.ts';
import { looseEndsStore } from './store.ts';

/** Loose ends of rounds: opened, put back, or left with a reason. */
export function looseEndsService(db: Knex) {
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
    async put(context: RequestContext, id: string, systemId: string, end: NewLooseEnd): Promise<LooseEndView> {
      if (!(await store.put(context, id, systemId, end)))
        throw new ProblemError('id-taken', 'Another loose end has this id.');
      return { id, ...end };
    },
  };
}
