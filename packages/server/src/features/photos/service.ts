import type { PhotoQuery, PhotoView } from '@yarnix/core';
import type { Knex } from 'knex';
import { bytesDigestOf, digestOf } from '../../database/digest.ts';
import { notFound, ProblemError } from '../../http/problems.ts';
import { checkNotAhead } from '../../http/times.ts';
import type { RequestContext } from '../../identity/context.ts';
import { visitsService } from '../visits/service.ts';
import { pictureOf } from './picture.ts';
import { photosStore } from './store.ts';

/** Photos of plates, wiring and damage, kept beside their system. */
export function photosService(db: Knex, now: () => Date) {
  const store = photosStore(db);
  /** Each id a photo names must be one of the firm's own. */
  async function checkOwn(context: RequestContext, asked: PhotoQuery): Promise<void> {
    const own = async (table: string, id: string | undefined, and: object) =>
      id === undefined ||
      Boolean(
        await db(table)
          .where({ firm_id: context.firmId, id, ...and })
          .first('id'),
      );
    if (!(await own('systems', asked.systemId, {}))) throw notFound('system');
    if (!(await own('visits', asked.visitId, { system_id: asked.systemId }))) throw notFound('round');
    if (!(await own('components', asked.componentId, { system_id: asked.systemId }))) throw notFound('part');
  }
  return {
    ofSystem: (context: RequestContext, systemId: string) => store.ofSystem(context, systemId),
    async picture(context: RequestContext, id: string, which: 'bytes' | 'thumb') {
      const row = await store.bytes(context, id, which);
      if (!row) throw notFound('photo');
      return row;
    },
    /** Keeps a photo; the same PUT twice is one photo. */
    async put(context: RequestContext, id: string, asked: PhotoQuery, bytes: Buffer): Promise<PhotoView> {
      await checkOwn(context, asked);
      const digest = digestOf([asked, bytesDigestOf(bytes)]);
      const before = await store.find(context, id);
      if (!before) {
        if (asked.visitId !== undefined) await visitsService(db, now).open(context, asked.visitId, asked.systemId);
        checkNotAhead('query.takenAt', asked.takenAt, now());
        await store.insert(context, id, asked, await pictureOf(bytes), digest);
      }
      const kept = before ?? (await store.find(context, id));
      if (kept?.digest !== digest) throw new ProblemError('id-taken', 'Another photo has this id.');
      return kept.view;
    },
  };
}
