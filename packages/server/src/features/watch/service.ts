import { LIKELY_TO_FAIL, type Standing, type WatchPage } from '@yarnix/core';
import type { Knex } from 'knex';
import type { RequestContext } from '../../identity/context.ts';
import { watchStore } from './store.ts';

/** The Watch: parts across all systems that are likely to fail before their next round, the most urgent first. */
export function watchService(db: Knex) {
  const store = watchStore(db);
  return {
    async page(
      context: RequestContext,
      asked: { standing?: Standing[] | undefined; area?: string | undefined; limit: number; offset: number },
    ): Promise<WatchPage> {
      const filter = { standing: asked.standing ?? LIKELY_TO_FAIL, area: asked.area };
      const [rows, counts, areas, load] = await Promise.all([
        store.rows(context, filter, asked.limit, asked.offset),
        store.counts(context, filter),
        store.areas(context),
        store.load(context, filter),
      ]);
      return { ...counts, areas, rows, load };
    },
  };
}
