import { fleetPriorFrom, policyFrom, someOf, type FleetPrior, type Policy } from '@yarnix/core';
import type { Knex } from 'knex';
import { inTransaction } from '../database/transaction.ts';
import type { Logger } from 'pino';
import type { RefitRow } from '../features/refits/store.ts';
import { withCheck } from '../features/meters/checks.ts';
import { readChecks, type JudgedChunk } from './refit-chunk.ts';
import { chunksOf } from './slices.ts';
import type { WorkerPool } from './worker-pool.ts';

/** Of what could not be fitted, so many are told one by one. */
const MOST_SET_ASIDE = 100;
/** A slice of judging lasts about so long, ms. */
const SLICE_MS = 15_000;
/** Systems read and judged at a time. */
const CHUNK = 24;
/** Systems the fleet is learned from: spread evenly over all, since more would teach the same. */
const MOST_SYSTEMS_TO_LEARN_FROM = 500;

/** Learns what a firm's fleet teaches, a share of its classes on each worker of the pool. */
async function learn(pool: WorkerPool, firmId: string, ids: readonly string[], policy: Policy): Promise<FleetPrior> {
  const some = someOf(ids, MOST_SYSTEMS_TO_LEARN_FROM);
  const shares = await Promise.all(
    Array.from({ length: pool.size }, (_, share) =>
      pool.run({ task: 'learn', firmId, ids: some, policy, share, shares: pool.size }),
    ),
  );
  const learned = shares as FleetPrior[];
  return {
    classes: Object.assign({}, ...learned.map((l) => l.classes)) as FleetPrior['classes'],
    meters: Object.assign({}, ...learned.map((l) => l.meters)) as FleetPrior['meters'],
  };
}

interface Running {
  readonly db: Knex;
  readonly pool: WorkerPool;
  readonly row: RefitRow;
  /** As of when all is judged: the slice's beginning. */
  readonly now: Date;
  readonly clock: () => Date;
  readonly log: Logger;
}

const note = ({ db, row }: Running, state: Partial<RefitRow>) => db('refits').where({ id: row.id }).update(state);

const isCancelled = async ({ db, row }: Running): Promise<boolean> =>
  (await db<RefitRow>('refits').where({ id: row.id }).first('wish'))?.wish === 'cancel';

/** Judges for as long as a slice lasts. */
async function judgeSome(
  running: Running,
  ids: readonly string[],
  policy: Policy,
  prior: FleetPrior,
): Promise<'cancelled' | 'more' | 'done'> {
  const until = Date.now() + SLICE_MS;
  const { pool, row, now } = running;
  const from = row.done_up_to;
  const left = from === null ? ids : ids.filter((id) => id > from);
  let done = ids.length - left.length;
  let { threads } = row;
  const setAside = [...row.set_aside];
  // As many chunks under way as there are workers; progress is only noted once all before it is done.
  for (const group of chunksOf(chunksOf(left, CHUNK), 2 * pool.size)) {
    if (await isCancelled(running)) return 'cancelled';
    if (Date.now() > until) return 'more';
    const judged = (await Promise.all(
      group.map((chunk) => pool.run({ task: 'judge', ids: chunk, policy, prior, now: now.toISOString() })),
    )) as JudgedChunk[];
    done += group.reduce((sum, chunk) => sum + chunk.length, 0);
    threads += judged.reduce((sum, j) => sum + j.threads, 0);
    setAside.push(...judged.flatMap((j) => j.setAside).slice(0, MOST_SET_ASIDE - setAside.length));
    const aside = JSON.stringify(setAside) as never;
    await note(running, { done, threads, set_aside: aside, done_up_to: group.at(-1)?.at(-1) ?? null });
  }
  return 'done';
}

/** Learns what the fleet teaches and keeps it; tells what the firm's parts are judged by from then on. */
async function learnAndKeep(
  running: Running,
  ids: readonly string[],
  policy: Policy,
  before: FleetPrior,
): Promise<FleetPrior> {
  const { db, pool, row, log } = running;
  const checked = await db('meter_checks').where({ firm_id: row.firm_id }).pluck<string[]>('id');
  // Only what is whole is written: a class that cannot be read keeps what it had before.
  const learned = fleetPriorFrom(await learn(pool, row.firm_id, ids, policy));
  if (learned.broken.length > 0) log.error({ classes: learned.broken }, 'classes that could not be learned');
  const kept = <T>(all: Readonly<Record<string, T>>) =>
    Object.fromEntries(learned.broken.flatMap((name) => (all[name] ? [[name, all[name]] as const] : [])));
  const prior: FleetPrior = {
    classes: { ...learned.prior.classes, ...kept(before.classes) },
    meters: { ...learned.prior.meters, ...kept(before.meters) },
  };
  return inTransaction(db, async (trx) => {
    // Held first: a meter that was checked while the fleet was gone through keeps what its check said.
    await trx('firms').where({ id: row.firm_id }).forUpdate().first('id');
    const whole = (await readChecks(trx, row.firm_id, checked)).reduce(withCheck, prior);
    await trx('firms')
      .where({ id: row.firm_id })
      .update({ prior: JSON.stringify(whole), prior_learned_at: running.now });
    return whole;
  });
}

/** What was judged by other schools than those that hold by now is judged again. */
async function beginAnew(running: Running, revision: number): Promise<void> {
  const fresh = { policy_revision: revision, done: 0, threads: 0, set_aside: [], done_up_to: null };
  await note(running, { ...fresh, set_aside: '[]' as never });
  Object.assign(running.row, fresh);
}

const revisionOf = async ({ db, row }: Running): Promise<number | undefined> =>
  (await db('firms').where({ id: row.firm_id }).first<{ policy_revision: number } | undefined>('policy_revision'))
    ?.policy_revision;

/**
 * Does one slice of a refit, from where the one before stopped: the first learns what the fleet teaches, then every part
 * is judged anew as of now. Chunks of systems go to the pool's worker threads; progress is kept in its row, which also
 * carries the wish to cancel it. Tells whether there is more to do.
 */
export async function runSlice(running: Running): Promise<boolean> {
  const { db, row } = running;
  const firm = await db('firms')
    .where({ id: row.firm_id })
    .first<{ policy: unknown; prior: unknown; policy_revision: number }>('policy', 'prior', 'policy_revision');
  const policy = policyFrom(firm.policy);
  const systems = await db('systems').where({ firm_id: row.firm_id }).orderBy('id').select<{ id: string }[]>('id');
  const ids = systems.map((s) => s.id);
  let prior: FleetPrior = fleetPriorFrom(firm.prior).prior;
  if (row.policy_revision !== firm.policy_revision) await beginAnew(running, firm.policy_revision);
  const isLearned = row.state === 'judging' || (row.done_up_to !== null && firm.prior !== null);
  if (!isLearned && !(await isCancelled(running))) {
    await note(running, { state: 'learning', total: ids.length });
    prior = await learnAndKeep(running, ids, policy, prior);
  }
  await note(running, { state: 'judging', total: ids.length });
  const came = await judgeSome(running, ids, policy, prior);
  if (came === 'done' && (await revisionOf(running)) !== firm.policy_revision) return true;
  if (came !== 'more') await note(running, { state: came, wish: null, ended_at: running.clock() });
  return came === 'more';
}
