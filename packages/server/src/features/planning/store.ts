import type { GeoPlace, RoundsTook, SystemKind } from '@yarnix/core';
import type { Knex } from 'knex';
import { anyOf } from '../../database/any-of.ts';
import type { RequestContext } from '../../identity/context.ts';

/** The latest rounds that are asked what they took, and what of them counts, minutes. */
const LATEST = 2000;
const [SHORTEST, LONGEST] = [10, 240];

export interface AreaPlace extends GeoPlace {
  readonly area: string;
}

/** How a firm plans, where its areas and systems are, and what its rounds took. */
export const planningStore = (db: Knex) => ({
  /** The time zone of the firm's days. */
  zone: async ({ firmId }: RequestContext): Promise<string> =>
    (await db('firms').where({ id: firmId }).first<{ zone: string } | undefined>('zone'))?.zone ?? 'Etc/UTC',

  async settings(context: RequestContext): Promise<unknown> {
    const row = await db('firms').where({ id: context.firmId }).first<{ planning: unknown } | undefined>('planning');
    return row?.planning ?? null;
  },
  keep: (context: RequestContext, planning: object) =>
    db('firms')
      .where({ id: context.firmId })
      .update({ planning: JSON.stringify(planning) }),
  areaPlaces: (context: RequestContext): Promise<AreaPlace[]> =>
    db('area_places').where({ firm_id: context.firmId }).orderBy('area').select<AreaPlace[]>('area', 'lat', 'lng'),
  async keepAreas(context: RequestContext, places: readonly AreaPlace[]): Promise<void> {
    await db('area_places').where({ firm_id: context.firmId }).delete();
    if (places.length > 0)
      await db('area_places').insert(places.map(({ area, lat, lng }) => ({ firm_id: context.firmId, area, lat, lng })));
  },
  setPlace: (context: RequestContext, systemId: string, place: GeoPlace | null): Promise<number> =>
    db('systems')
      .where({ firm_id: context.firmId, id: systemId })
      .update({ lat: place?.lat ?? null, lng: place?.lng ?? null }),
  places: (context: RequestContext, systemIds: readonly string[]): Promise<(GeoPlace & { id: string })[]> =>
    db('systems')
      .where({ firm_id: context.firmId })
      .modify(anyOf('id', systemIds))
      .whereNotNull('lat')
      .select<(GeoPlace & { id: string })[]>('id', 'lat', 'lng'),
  /** What the firm's latest rounds took, by the kind of system. */
  async roundsTook(context: RequestContext): Promise<ReadonlyMap<SystemKind, RoundsTook>> {
    const latest = db('visits as v')
      .join('systems as s', 's.id', 'v.system_id')
      .where({ 'v.firm_id': context.firmId, 'v.call': null })
      .whereNotNull('v.closed_at')
      .orderBy('v.started_at', 'desc')
      .limit(LATEST)
      .select('s.kind', db.raw('extract(epoch from v.closed_at - v.started_at) / 60 as minutes'))
      .as('r');
    const rows = await db(latest)
      .whereBetween('minutes', [SHORTEST, LONGEST])
      .groupBy('kind')
      .select<{ kind: SystemKind; median: number; rounds: number }[]>(
        'kind',
        db.raw('percentile_cont(0.5) within group (order by minutes)::float as median'),
        db.raw('count(*)::int as rounds'),
      );
    return new Map(rows.map(({ kind, median, rounds }) => [kind, { median, rounds }]));
  },
});
