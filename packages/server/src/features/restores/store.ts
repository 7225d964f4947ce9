import type { NewRestore, RestoreView } from '@yarnix/core';
import { PIECE_BYTES } from '@yarnix/core';
import type { Knex } from 'knex';
import type { RequestContext } from '../../identity/context.ts';

type State = RestoreView['state'];

interface RestoreLine {
  readonly id: string;
  readonly name: string;
  readonly size: string;
  readonly pieces: string;
  readonly state: State;
  readonly total: number;
  readonly done: number;
  readonly systems: number;
  readonly readings: number;
  readonly photos: number;
  readonly error: string | null;
  readonly asked_at: Date;
  readonly ended_at: Date | null;
}

/** States in which work on a file is under way, or waits for its turn. */
export const RESTORE_WORKS: readonly State[] = ['waiting', 'checking', 'restoring', 'judging'];

/** Pieces that a file of so many bytes comes in. */
export const piecesOf = (size: number): number => Math.ceil(size / PIECE_BYTES);

const viewOf = ({ asked_at, ended_at, size, pieces, ...row }: RestoreLine): RestoreView => ({
  ...row,
  size: Number(size),
  pieces: Number(pieces),
  askedAt: asked_at.toISOString(),
  endedAt: ended_at?.toISOString() ?? null,
});

/** Files of a firm that come back, piece by piece. */
export const restoresStore = (db: Knex) => {
  const own = (context: RequestContext) => db('restores as r').where({ 'r.firm_id': context.firmId });
  const views = (context: RequestContext) =>
    own(context).select<RestoreLine[]>(
      ...['id', 'name', 'size', 'state', 'total', 'done', 'systems', 'readings', 'photos', 'error'].map(
        (c) => `r.${c}`,
      ),
      'r.asked_at',
      'r.ended_at',
      db.raw('(select count(*) from restore_pieces p where p.restore_id = r.id) as pieces'),
    );
  return {
    find: async (context: RequestContext, id: string): Promise<RestoreView | undefined> => {
      const [row] = await views(context).where({ 'r.id': id });
      return row && viewOf(row);
    },
    latest: async (context: RequestContext, count: number): Promise<RestoreView[]> =>
      (await views(context).orderBy('r.asked_at', 'desc').limit(count)).map(viewOf),

    /** Begins with a file; nothing where the id is in use. */
    insert: async (context: RequestContext, id: string, { name, size }: NewRestore, at: Date): Promise<void> => {
      const row = {
        id,
        firm_id: context.firmId,
        person_id: context.personId,
        name,
        size,
        state: 'coming',
        asked_at: at,
      };
      await db('restores').insert(row).onConflict('id').ignore();
    },
    /** Forgets files that stopped coming before then. */
    forgetStale: (context: RequestContext, before: Date): Promise<number> =>
      db('restores').where({ firm_id: context.firmId, state: 'coming' }).where('asked_at', '<', before).delete(),

    /** Keeps a piece; the same piece again takes its place while the file is still coming. */
    keepPiece: async (id: string, piece: number, bytes: Buffer): Promise<void> => {
      await db('restore_pieces').insert({ restore_id: id, piece, bytes }).onConflict(['restore_id', 'piece']).merge();
    },
    /** Moves on from one of some states; false where it is in none of them by now. */
    move: async (context: RequestContext, id: string, from: readonly State[], to: Record<string, unknown>) =>
      (await db('restores')
        .where({ firm_id: context.firmId, id })
        .whereIn('state', [...from])
        .update(to)) === 1,
  };
};
