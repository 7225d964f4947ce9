import type { PhotoQuery, PhotoView, VisitView } from '@yarnix/core';
import { bytesDigestOf, digestOf } from '../../database/digest.ts';
import { notFound, ProblemError } from '../../http/problems.ts';
import { checkNotAhead } from '../../http/times.ts';
import type { RequestContext } from '../../identity/context.ts';
import type { On } from '../../wiring.ts';
import { pictureOf } from './picture.ts';
import { photosStore } from './store.ts';

interface Needs {
  readonly systems: { facts(context: RequestContext, id: string): Promise<object> };
  readonly visits: {
    visit(context: RequestContext, id: string): Promise<VisitView>;
    open(context: RequestContext, id: string, systemId: string): Promise<VisitView>;
  };
  readonly readings: { systemOf(context: RequestContext, id: string): Promise<string | undefined> };
  readonly parts: { find(context: RequestContext, id: string): Promise<{ readonly system_id: string } | undefined> };
}

/** Photos of plates, wiring and damage, kept beside their system. */
export function photosService({ db, now, needs }: On<Needs>) {
  const store = photosStore(db);
  /** Each id a photo names must be one of the firm's own, and of that system. */
  async function checkOwn(
    context: RequestContext,
    { systemId, visitId, componentId, readingId }: PhotoQuery,
  ): Promise<void> {
    await needs.systems.facts(context, systemId);
    if (visitId !== undefined && (await needs.visits.visit(context, visitId)).systemId !== systemId)
      throw notFound('round');
    if (componentId !== undefined && (await needs.parts.find(context, componentId))?.system_id !== systemId)
      throw notFound('part');
    if (readingId !== undefined && (await needs.readings.systemOf(context, readingId)) !== systemId)
      throw notFound('reading');
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
        if (asked.visitId !== undefined) await needs.visits.open(context, asked.visitId, asked.systemId);
        checkNotAhead('query.takenAt', asked.takenAt, now());
        await store.insert(context, id, asked, await pictureOf(bytes), digest);
      }
      const kept = before ?? (await store.find(context, id));
      if (kept?.digest !== digest) throw new ProblemError('id-taken', 'Another photo has this id.');
      return kept.view;
    },
  };
}
