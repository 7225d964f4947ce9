import type { Refit } from '@yarnix/core';
import type { Knex } from 'knex';
import type { RequestContext } from '../../identity/context.ts';

export interface RefitRow {
  id: string;
  firm_id: string;
  state: Refit['state'];
  wish: 'cancel' | null;
  done: number;
  total: number;
  threads: number;
  set_aside: Refit['setAside'];
  done_up_to: string | null;
  policy_revision: number;
  asked_at: Date;
  ended_at: Date | null;
  error: string | null;
}

export const viewOfRefit = (row: RefitRow): Refit => ({
  id: row.id,
  state: row.state,
  done: row.done,
  total: row.total,
  threads: row.threads,
  setAside: row.set_aside,
  askedAt: row.asked_at.toISOString(),
  endedAt: row.ended_at?.toISOString() ?? null,
  error: row.error,
});

export const refitsStore = (db: Knex) => {
  const own = (context: RequestContext) => db<RefitRow>('refits').where({ firm_id: context.firmId });
  return {
    find: (context: RequestContext, id: string) => own(context).where({ id }).first(),
    latest: (context: RequestContext) =>
      own(context)
        .orderBy([
          { column: 'asked_at', order: 'desc' },
          { column: 'id', order: 'desc' },
        ])
        .first(),
    /** Notes one as asked for, unless one is under way: then that one stands. Tells whether it did. */
    async insert(context: RequestContext, id: string, at: Date): Promise<boolean> {
      const rows = await db('refits')
        .insert({ id, firm_id: context.firmId, person_id: context.personId, state: 'queued', asked_at: at })
        .onConflict()
        .ignore()
        .returning<{ id: string }[]>('id');
      return rows.length === 1;
    },
    cancel: (context: RequestContext, id: string) =>
      own(context).where({ id }).whereIn('state', ['queued', 'learning', 'judging']).update({ wish: 'cancel' }),
    /** Goes on behind what is done, unless another one is under way. */
    resume: (context: RequestContext, id: string) =>
      own(context)
        .where({ id })
        .whereIn('state', ['cancelled', 'failed'])
        .whereNotExists(own(context).select('id').whereIn('state', ['queued', 'learning', 'judging']))
        .update({ state: 'queued', wish: null, ended_at: null, error: null }),
    learnedAt: async (context: RequestContext): Promise<Date | null> =>
      (
        await db('firms')
          .where({ id: context.firmId })
          .first<{ prior_learned_at: Date | null } | undefined>('prior_learned_at')
      )?.prior_learned_at ?? null,
  };
};
