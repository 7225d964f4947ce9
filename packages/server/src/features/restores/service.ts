import { PIECE_BYTES, type NewRestore, type RestoreView } from '@yarnix/core';
import { notFound, ProblemError } from '../../http/problems.ts';
import type { RequestContext } from '../../identity/context.ts';
import type { On } from '../../wiring.ts';
import { piecesOf, restoresStore } from './store.ts';

/** Of the files a firm has brought, so many are listed. */
const MOST_LISTED = 10;
/** A file of which nothing has come for so long is not coming any more, ms. */
const STALE_MS = 86_400_000;

const invalid = (path: string, detail: string): ProblemError =>
  new ProblemError('invalid-request', detail, [{ path, detail }]);

/**
 * A firm's file read back into a firm that has none of it. It comes in pieces, each of which can be sent again; once all are
 * here it is looked through and then kept, off the request path, and whoever asks is told how far that is.
 */
export function restoresService({ db, now, jobs, transact }: On) {
  const store = restoresStore(db);
  async function one(context: RequestContext, id: string): Promise<RestoreView> {
    const found = await store.find(context, id);
    if (!found) throw notFound('file');
    return found;
  }
  return {
    one,
    list: async (context: RequestContext) => ({ restores: await store.latest(context, MOST_LISTED) }),

    /** Begins with a file; the same again is the same, and goes on with one that has stopped. */
    async begin(context: RequestContext, id: string, asked: NewRestore): Promise<RestoreView> {
      await store.forgetStale(context, new Date(now().getTime() - STALE_MS));
      await store.insert(context, id, asked, now());
      const kept = await store.find(context, id);
      if (kept?.name !== asked.name || kept.size !== asked.size)
        throw new ProblemError('id-taken', 'Another file has this id.');
      if (kept.state !== 'stopped') return kept;
      await jobs.boss();
      await transact(async (within) => {
        const again = { state: kept.total > 0 ? 'restoring' : 'checking', error: null, ended_at: null, tries: 0 };
        if (await restoresStore(within.db).move(context, id, ['stopped'], again))
          await jobs.add('restores', within.db, id);
      });
      return one(context, id);
    },

    /** Keeps a piece of a file; with the last that was missing, work on it begins. */
    async piece(context: RequestContext, id: string, piece: number, bytes: Buffer): Promise<RestoreView> {
      const { size, state } = await one(context, id);
      // A piece that comes once more after all of them are here is here already.
      if (state !== 'coming') return one(context, id);
      const pieces = piecesOf(size);
      if (piece >= pieces) throw invalid('path.piece', `It comes in ${pieces} pieces.`);
      const length = piece === pieces - 1 ? size - piece * PIECE_BYTES : PIECE_BYTES;
      if (bytes.length !== length)
        throw invalid('body', `Piece ${piece} must be ${length} bytes; ${bytes.length} came.`);
      await jobs.boss();
      await transact(async (within) => {
        const held = restoresStore(within.db);
        // Held as it is: of two last pieces at once, one sees them all.
        if (!(await held.move(context, id, ['coming'], { state: 'coming' }))) return;
        await held.keepPiece(id, piece, bytes);
        if ((await held.find(context, id))?.pieces !== pieces) return;
        await held.move(context, id, ['coming'], { state: 'waiting' });
        await jobs.add('restores', within.db, id);
      });
      return one(context, id);
    },
  };
}
