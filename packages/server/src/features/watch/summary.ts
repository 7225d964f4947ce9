import type { WatchPage } from '@yarnix/core';
import type { Knex } from 'knex';
import type { RequestContext } from '../../identity/context.ts';

/** What stands around the rows of a page: counts, areas, the van's load. */
export type Summary = Omit<WatchPage, 'rows'>;

interface Kept {
  readonly stamp: string;
  readonly at: number;
  readonly summary: Promise<Summary>;
}

/** Kept no longer than this even when nothing is known to have changed, ms. */
const LONGEST_MS = 20_000;
const MOST_KEPT = 200;

/** What changes when a standing or a part set aside does: the latest of each, read from indexes alone. */
const stampOf = async (db: Knex, { firmId }: RequestContext): Promise<string> => {
  const row = await db.first<Record<string, unknown>>(
    db('standing_changes').where({ firm_id: firmId }).max('id').as('change'),
    db('snoozes').where({ firm_id: firmId }).max('set_at').as('set'),
    db('snoozes').where({ firm_id: firmId }).count('*').as('aside'),
  );
  return JSON.stringify(row);
};

/**
 * Keeps what stands around the rows while nothing changes: counting a whole firm costs more than its first page. While
 * much changes, as during a refit, it is counted anew at most every `atMostEveryMs`; the rows themselves are never kept.
 */
export function summaries(db: Knex, atMostEveryMs: number) {
  const kept = new Map<string, Kept>();
  /** What is kept of a firm is forgotten: somebody has just changed it by hand and wants to see it. */
  const forget = ({ firmId }: RequestContext): void => {
    for (const key of [...kept.keys()]) if (key.startsWith(`${firmId}/`)) kept.delete(key);
  };
  const of = async (context: RequestContext, name: string, count: () => Promise<Summary>): Promise<Summary> => {
    const key = `${context.firmId}/${name}`;
    const known = kept.get(key);
    const now = Date.now();
    if (known && now - known.at < atMostEveryMs) return known.summary;
    const stamp = await stampOf(db, context);
    if (known?.stamp === stamp && now - known.at < LONGEST_MS) return known.summary;
    const summary = count();
    kept.delete(key);
    kept.set(key, { stamp, at: now, summary });
    summary.catch(() => kept.delete(key));
    if (kept.size > MOST_KEPT) kept.delete([...kept.keys()][0] ?? '');
    return summary;
  };
  return { of, forget };
}
