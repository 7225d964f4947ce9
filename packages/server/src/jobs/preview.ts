import { fleetPriorFrom, policyFrom, type FleetPrior, type Policy } from '@yarnix/core';
import type { Knex } from 'knex';
import type { PreviewRow } from '../features/schools/store.ts';
import type { ComparedChunk } from './refit-chunk.ts';
import { chunksOf } from './slices.ts';
import type { WorkerPool } from './worker-pool.ts';

/** Of the parts that would stand otherwise, so many are told one by one. */
const MOST_TOLD = 200;
/** A slice lasts about so long, ms. */
const SLICE_MS = 15_000;
/** Systems compared at a time: each is judged twice. */
const CHUNK = 12;

/**
 * Does one slice of a preview, from where the one before stopped: every living part judged by the schools that hold and by
 * those asked about, as of now, and nothing written of it but what would differ. Tells whether there is more to do; a
 * preview that nobody asks about any more ends by itself.
 */
export async function runPreviewSlice(db: Knex, pool: WorkerPool, row: PreviewRow, now: Date): Promise<boolean> {
  const own = () => db('policy_previews').where({ id: row.id });
  const firm = await db('firms')
    .where({ id: row.firm_id })
    .first<{ policy: unknown; prior: unknown }>('policy', 'prior');
  const policy: Policy = policyFrom(firm.policy);
  const draft: Policy = policyFrom(row.policy);
  const prior: FleetPrior = fleetPriorFrom(firm.prior).prior;
  const systems = await db('systems').where({ firm_id: row.firm_id }).orderBy('id').select<{ id: string }[]>('id');
  const from = row.done_up_to;
  const left = systems.map((s) => s.id).filter((id) => from === null || id > from);
  let [done, parts, changing] = [systems.length - left.length, row.parts, row.changing];
  const changes = [...row.changes];
  const until = Date.now() + SLICE_MS;
  await own().update({ state: 'running', total: systems.length });
  for (const group of chunksOf(chunksOf(left, CHUNK), pool.size)) {
    if (Date.now() > until) return true;
    const compared = (await Promise.all(
      group.map((ids) => pool.run({ task: 'compare', ids, policy, draft, prior, now: now.toISOString() })),
    )) as ComparedChunk[];
    done += group.flat().length;
    parts += compared.reduce((sum, c) => sum + c.parts, 0);
    changing += compared.reduce((sum, c) => sum + c.changes.length, 0);
    changes.push(...compared.flatMap((c) => c.changes).slice(0, MOST_TOLD - changes.length));
    const noted = { done, parts, changing, changes: JSON.stringify(changes), done_up_to: group.at(-1)?.at(-1) ?? null };
    if ((await own().update({ ...noted, beat_at: db.fn.now() })) === 0) return false;
  }
  await own().update({ state: 'done' });
  return false;
}
