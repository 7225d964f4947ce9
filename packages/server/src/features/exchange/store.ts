import type { ExportedReading } from '@yarnix/core';
import type { Knex } from 'knex';
import type { RequestContext } from '../../identity/context.ts';

interface Row {
  id: string;
  taken_at: Date;
  visit_id: string;
  technician: string;
  system_id: string;
  address: string;
  customer: string;
  area: string | null;
  system_kind: ExportedReading['systemKind'];
  component_id: string;
  slot: ExportedReading['slot'];
  plate: { rating?: string };
  fitted_on: string | null;
  kind: string;
  point: ExportedReading['point'];
  method: string;
  value: number | null;
  findings: string[];
  inputs: ExportedReading['inputs'];
  conditions: ExportedReading['conditions'];
  note: string | null;
  confirmed: boolean;
  supersedes: string | null;
  superseded: boolean;
  ruling: ExportedReading['ruling'];
}

const exported = (row: Row): ExportedReading => ({
  id: row.id,
  takenAt: row.taken_at.toISOString(),
  visitId: row.visit_id,
  technician: row.technician,
  systemId: row.system_id,
  address: row.address,
  customer: row.customer,
  area: row.area,
  systemKind: row.system_kind,
  componentId: row.component_id,
  slot: row.slot,
  rating: row.plate.rating ?? null,
  fittedOn: row.fitted_on,
  kind: row.kind,
  point: row.point,
  method: row.method,
  value: row.value,
  findings: row.findings,
  inputs: row.inputs,
  conditions: row.conditions,
  note: row.note,
  confirmed: row.confirmed,
  supersedes: row.supersedes,
  superseded: row.superseded,
  ruling: row.ruling,
});

export const exchangeStore = (db: Knex) => ({
  /** The next systems of the firm after one, in the order of their ids. */
  async systemsAfter(context: RequestContext, after: string | undefined, count: number): Promise<string[]> {
    const rows = await db('systems')
      .where({ firm_id: context.firmId })
      .modify((some) => {
        if (after !== undefined) void some.where('id', '>', after);
      })
      .orderBy('id')
      .limit(count)
      .select<{ id: string }[]>('id');
    return rows.map(({ id }) => id);
  },
  /** All readings of some systems, system by system, each in the order they were taken. */
  async readingsOf(context: RequestContext, systems: readonly string[], since: string): Promise<ExportedReading[]> {
    const rows = await db('readings as r')
      .join('systems as s', 's.id', 'r.system_id')
      .join('customers as c', 'c.id', 's.customer_id')
      .join('components as k', 'k.id', 'r.component_id')
      .join('people as p', 'p.id', 'r.person_id')
      .where('r.firm_id', context.firmId)
      .whereIn('r.system_id', [...systems])
      .where('r.taken_at', '>=', since)
      .orderBy(['r.system_id', 'r.taken_at', 'r.id'])
      .select<Row[]>(
        'r.*',
        'p.name as technician',
        's.address',
        's.area',
        's.kind as system_kind',
        'c.name as customer',
        'k.slot',
        'k.plate',
        'k.fitted_on',
        db.raw('exists (select 1 from readings l where l.supersedes = r.id) as superseded'),
      );
    return rows.map(exported);
  },
});
