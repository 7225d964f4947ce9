import type { Slot, Standing, SystemKind, WatchPage, WatchRow } from '@yarnix/core';
import { severityOf } from '@yarnix/core';
import type { Knex } from 'knex';
import type { RequestContext } from '../../identity/context.ts';
import type { Lead } from '../parts/service.ts';

export interface WatchFilter {
  standing: readonly Standing[];
  area: string | undefined;
}

interface Row {
  id: string;
  system_id: string;
  slot: Slot;
  part_label: string | null;
  standing: Standing;
  urgency: number;
  chance: number;
  lead: Lead;
  address: string;
  area: string | null;
  customer_name: string;
  system_kind: SystemKind;
}

const rowOf = (row: Row): WatchRow =>
  ({
    componentId: row.id,
    systemId: row.system_id,
    slot: row.slot,
    rating: row.part_label,
    standing: row.standing,
    urgency: row.urgency,
    chance: row.chance,
    kind: row.lead.kind,
    point: row.lead.point,
    because: row.lead.because,
    also: row.lead.also,
    thread: row.lead.thread,
    address: row.address,
    area: row.area,
    customerName: row.customer_name,
    systemKind: row.system_kind,
  }) as WatchRow;

export const watchStore = (db: Knex) => {
  const matching = (context: RequestContext, filter: WatchFilter) => {
    const query = db('components as k')
      .where('k.firm_id', context.firmId)
      .whereNull('k.removed_on')
      .whereNotNull('k.lead')
      .whereIn('k.severity', filter.standing.map(severityOf));
    if (filter.area === undefined) return query;
    return query.whereIn(
      'k.system_id',
      db('systems').select('id').where({ firm_id: context.firmId, area: filter.area }),
    );
  };
  return {
    async rows(context: RequestContext, filter: WatchFilter, limit: number, offset: number): Promise<WatchRow[]> {
      // The page is chosen from the narrow index first; only its rows fetch their threads.
      const page = matching(context, filter)
        .select('k.id')
        .orderBy([{ column: 'k.urgency', order: 'desc' }, 'k.id'])
        .limit(limit)
        .offset(offset);
      const rows = await db('components as k')
        .whereIn('k.id', page)
        .join('systems as s', 's.id', 'k.system_id')
        .join('customers as c', 'c.id', 's.customer_id')
        .orderBy([{ column: 'k.urgency', order: 'desc' }, 'k.id'])
        .select<Row[]>('k.*', 's.address', 's.area', 's.kind as system_kind', 'c.name as customer_name');
      return rows.map(rowOf);
    },

    async counts(context: RequestContext, filter: WatchFilter): Promise<{ components: number; matching: number }> {
      const living = db('components')
        .where({ firm_id: context.firmId })
        .whereNull('removed_on')
        .count('*')
        .as('components');
      const some = matching(context, filter).count('*').as('matching');
      const row = await db.first<{ components: string; matching: string }>(living, some);
      return { components: Number(row?.components ?? 0), matching: Number(row?.matching ?? 0) };
    },

    async areas(context: RequestContext): Promise<string[]> {
      const rows = await db('systems')
        .where({ firm_id: context.firmId })
        .whereNotNull('area')
        .distinct<{ area: string }[]>('area')
        .orderBy('area');
      return rows.map((r) => r.area);
    },

    /** Capacitors to load for the rows that stand at watch or worse: like ratings counted together. */
    async load(context: RequestContext, filter: WatchFilter): Promise<WatchPage['load']> {
      const rows = await matching(context, filter)
        .join('systems as s', 's.id', 'k.system_id')
        .whereNotNull('k.part_label')
        .where('k.severity', '>=', severityOf('watch'))
        .groupBy('k.part_label')
        .orderBy([{ column: 'count', order: 'desc' }, 'part'])
        .limit(12)
        .select<{ part: string; count: string; addresses: string[] }[]>(
          'k.part_label as part',
          db.raw('count(*) as count'),
          db.raw('(array_agg(s.address order by k.urgency desc))[1:3] as addresses'),
        );
      return rows.map((r) => ({ ...r, count: Number(r.count) }));
    },
  };
};
