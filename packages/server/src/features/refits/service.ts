import type { Refit } from '@yarnix/core';
import { v7 } from 'uuid';
import { notFound, ProblemError } from '../../http/problems.ts';
import type { RequestContext } from '../../identity/context.ts';
import type { On } from '../../wiring.ts';
import { refitsStore, viewOfRefit } from './store.ts';

/** Why a wish had no effect. */
const whyNot = ({ state }: Refit, wish: 'cancel' | 'resume'): string =>
  wish === 'resume' && (state === 'cancelled' || state === 'failed')
    ? 'Another one is under way; this one can go on after it.'
    : `It is ${state}, so there is nothing to ${wish}.`;

/** Asking for the fitting anew of all threads, watching it, stopping it and going on. The work itself is a job's. */
export function refitsService({ db, now, jobs, transact }: On) {
  const store = refitsStore(db);
  async function one(context: RequestContext, id: string): Promise<Refit> {
    const row = await store.find(context, id);
    if (!row) throw notFound('refit');
    return viewOfRefit(row);
  }
  return {
    async latest(context: RequestContext) {
      const [row, learnedAt] = await Promise.all([store.latest(context), store.learnedAt(context)]);
      return { refit: row ? viewOfRefit(row) : null, learnedAt: learnedAt?.toISOString() ?? null };
    },
    async ask(context: RequestContext): Promise<Refit> {
      const id = v7();
      await jobs.boss();
      await transact(async ({ db: held }) => {
        if (await refitsStore(held).insert(context, id, now())) await jobs.add('refits', held, id);
      });
      const row = await store.latest(context);
      if (!row) throw notFound('refit');
      return viewOfRefit(row);
    },
    async wish(context: RequestContext, id: string, wish: 'cancel' | 'resume'): Promise<Refit> {
      const before = await one(context, id);
      await jobs.boss();
      const changed =
        wish === 'cancel'
          ? await store.cancel(context, id)
          : await transact(async ({ db: held }) => {
              const resumed = await refitsStore(held).resume(context, id);
              if (resumed > 0) await jobs.add('refits', held, id);
              return resumed;
            });
      if (changed === 0) throw new ProblemError('refit-state', whyNot(before, wish));
      return one(context, id);
    },
  };
}
