import type { PhotoQuery, PhotoView } from '@yarnix/core';
import type { Knex } from 'knex';
import type { RequestContext } from '../../identity/context.ts';

interface PhotoRow {
  id: string;
  visit_id: string | null;
  component_id: string | null;
  reading_id: string | null;
  subject: PhotoView['subject'];
  note: string | null;
  taken_at: Date;
  width: number;
  height: number;
  digest: string;
}

export interface Picture {
  readonly bytes: Buffer;
  readonly thumb: Buffer;
  readonly mime: string;
  readonly width: number;
  readonly height: number;
}

const viewOf = (row: PhotoRow): PhotoView => ({
  id: row.id,
  visitId: row.visit_id,
  componentId: row.component_id,
  readingId: row.reading_id,
  subject: row.subject,
  note: row.note,
  takenAt: row.taken_at.toISOString(),
  width: row.width,
  height: row.height,
});

const FACTS = [
  'id',
  'visit_id',
  'component_id',
  'reading_id',
  'subject',
  'note',
  'taken_at',
  'width',
  'height',
  'digest',
] as const;

export const photosStore = (db: Knex) => ({
  async ofSystem(context: RequestContext, systemId: string): Promise<PhotoView[]> {
    const rows = await db('photos')
      .where({ firm_id: context.firmId, system_id: systemId })
      .orderBy(['taken_at', 'id'])
      .select<PhotoRow[]>(...FACTS);
    return rows.map(viewOf);
  },
  async find(context: RequestContext, id: string): Promise<{ view: PhotoView; digest: string } | undefined> {
    const row = await db('photos')
      .where({ firm_id: context.firmId, id })
      .first<PhotoRow | undefined>(...FACTS);
    return row && { view: viewOf(row), digest: row.digest };
  },
  bytes: (context: RequestContext, id: string, which: 'bytes' | 'thumb') =>
    db('photos')
      .where({ firm_id: context.firmId, id })
      .first<{ picture: Buffer; mime: string } | undefined>(`${which} as picture`, 'mime'),
  insert: (context: RequestContext, id: string, asked: PhotoQuery, picture: Picture, digest: string) =>
    db('photos')
      .insert({
        id,
        firm_id: context.firmId,
        person_id: context.personId,
        system_id: asked.systemId,
        visit_id: asked.visitId ?? null,
        component_id: asked.componentId ?? null,
        reading_id: asked.readingId ?? null,
        subject: asked.subject,
        note: asked.note ?? null,
        taken_at: asked.takenAt,
        digest,
        ...picture,
      })
      .onConflict('id')
      .ignore(),
});
