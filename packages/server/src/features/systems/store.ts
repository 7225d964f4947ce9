import {
  STANDINGS,
  type NewSystem,
  type Plate,
  type Standing,
  type SYSTEM_SORTS,
  type SystemKind,
  type SystemsQuery,
  type SystemSummary,
} from '@yarnix/core';
import type { Knex } from 'knex';
import type { RequestContext } from '../../identity/context.ts';

export interface SystemRow {
  id: string;
  firm_id: string;
  customer_id: string;
  customer_name: string;
  address: string;
  area: string | null;
  kind: SystemKind;
  plate: Plate;
  installed_on: string | null;
  lat: number | null;
  lng: number | null;
  digest: string;
}

interface SummaryRow {
  id: string;
  customer_name: string;
  address: string;
  area: string | null;
  kind: SystemKind;
  severity: number | null;
  last_visit_on: string | null;
}

export const standingAt = (severity: number | null): Standing => STANDINGS[severity ?? 1] ?? 'unproven';

const summary = (row: SummaryRow): SystemSummary => ({
  id: row.id,
  customerName: row.customer_name,
  address: row.address,
  area: row.area,
  kind: row.kind,
  standing: standingAt(row.severity),
  lastVisitOn: row.last_visit_on,
});

const COLUMNS: Readonly<Record<(typeof SYSTEM_SORTS)[number], string>> = {
  address: 's.address',
  customerName: 'c.name',
  kind: 's.kind',
  area: 's.area',
  lastVisitOn: 'last_visit_on',
  standing: 'severity',
};

function orderOf(sort: SystemsQuery['sort']): { column: string; order: 'asc' | 'desc'; nulls: 'last' } {
  const [by, direction] = sort.split(':') as [keyof typeof COLUMNS, string | undefined];
  return { column: COLUMNS[by], order: direction === 'desc' ? 'desc' : 'asc', nulls: 'last' };
}

export const systemsStore = (db: Knex) => {
  const matching = (context: RequestContext, search: string | undefined) => {
    const query = db('systems as s')
      .join('customers as c', 'c.id', 's.customer_id')
      .join('firms as f', 'f.id', 's.firm_id')
      .where('s.firm_id', context.firmId);
    for (const word of search?.split(/\s+/).filter(Boolean) ?? []) {
      const like = `%${word.replace(/[\\%_]/g, '\\$&')}%`;
      void query.whereRaw('(s.address ilike ? or c.name ilike ? or s.area ilike ?)', [like, like, like]);
    }
    return query;
  };
  return {
    /** Names of the firm's areas. */
    areas: (context: RequestContext): Promise<string[]> =>
      db('systems')
        .where({ firm_id: context.firmId })
        .whereNotNull('area')
        .distinct('area')
        .orderBy('area')
        .pluck<string[]>('area'),
    find: (context: RequestContext, id: string): Promise<SystemRow | undefined> =>
      db('systems as s')
        .join('customers as c', 'c.id', 's.customer_id')
        .where({ 's.firm_id': context.firmId, 's.id': id })
        .first<SystemRow>('s.*', 'c.name as customer_name'),

    setPlate: (context: RequestContext, id: string, plate: Plate) =>
      db('systems')
        .where({ firm_id: context.firmId, id })
        .update({ plate: JSON.stringify(plate) }),
    /** Makes sure of the customer; false when the id is that of another firm's customer. */
    async ensureCustomer(context: RequestContext, system: NewSystem): Promise<boolean> {
      const customer = { id: system.customerId, firm_id: context.firmId };
      await db('customers')
        .insert({ ...customer, name: system.customerName })
        .onConflict('id')
        .ignore();
      const ours: unknown = await db('customers').where(customer).first('id');
      return ours !== undefined;
    },

    /** Inserts unless the id exists in any firm; tells whether it did. */
    async insert(context: RequestContext, id: string, system: NewSystem, digest: string): Promise<boolean> {
      const rows = await db('systems')
        .insert({
          id,
          firm_id: context.firmId,
          customer_id: system.customerId,
          address: system.address,
          area: system.area ?? null,
          kind: system.kind,
          plate: JSON.stringify(system.plate),
          installed_on: system.installedOn ?? null,
          digest,
          created_by: context.personId,
        })
        .onConflict('id')
        .ignore()
        .returning<{ id: string }[]>('id');
      return rows.length === 1;
    },

    page: async (context: RequestContext, { search, sort, limit, offset }: SystemsQuery) => {
      const count = await matching(context, search).count<{ count: string }[]>('* as count').first();
      const rows = await matching(context, search)
        .select<SummaryRow[]>(
          's.id',
          'c.name as customer_name',
          's.address',
          's.area',
          's.kind',
          db.raw(
            '(select max(severity) from components k where k.system_id = s.id and k.removed_on is null) as severity',
          ),
          db.raw(
            "(select to_char(max(started_at) at time zone f.zone, 'YYYY-MM-DD') from visits v where v.system_id = s.id) as last_visit_on",
          ),
        )
        .orderBy([orderOf(sort), 's.address', 's.id'])
        .limit(limit)
        .offset(offset);
      return { total: Number(count?.count ?? 0), systems: rows.map(summary) };
    },
  };
};
