import {
  dayIn,
  seasonOf,
  type NewCall,
  type NewVisit,
  type ProvedCauses,
  type SystemKind,
  type VisitLine,
  type VisitView,
} from '@yarnix/core';
import type { Knex } from 'knex';
import { anyOf } from '../../database/any-of.ts';
import type { RequestContext } from '../../identity/context.ts';

export interface VisitRow {
  id: string;
  system_id: string;
  season: VisitView['season'] | null;
  /** Of the firm's days. */
  zone: string;
  started_at: Date;
  closed_at: Date | null;
  note: string | null;
  person_name: string;
  call: VisitView['call'];
}

interface LineRow extends VisitRow {
  address: string;
  customer_name: string;
  system_kind: SystemKind;
  readings: number;
}

export const viewOfVisit = (row: VisitRow): VisitView => ({
  id: row.id,
  systemId: row.system_id,
  season: row.season ?? seasonOf(dayIn(row.zone, row.started_at.toISOString())),
  startedAt: row.started_at.toISOString(),
  closedAt: row.closed_at?.toISOString() ?? null,
  note: row.note,
  personName: row.person_name,
  call: row.call,
});

const lineOf = (row: LineRow): VisitLine => ({
  ...viewOfVisit(row),
  address: row.address,
  customerName: row.customer_name,
  systemKind: row.system_kind,
  readings: row.readings,
});

export const visitsStore = (db: Knex) => {
  const visits = (context: RequestContext) =>
    db('visits as v')
      .join('people as p', 'p.id', 'v.person_id')
      .join('firms as f', 'f.id', 'v.firm_id')
      .where('v.firm_id', context.firmId);
  const lines = (context: RequestContext) =>
    visits(context)
      .join('systems as s', 's.id', 'v.system_id')
      .join('customers as c', 'c.id', 's.customer_id')
      .orderBy('v.started_at', 'desc')
      .select<LineRow[]>(
        'v.*',
        'f.zone',
        'p.name as person_name',
        's.address',
        's.kind as system_kind',
        'c.name as customer_name',
        db.raw('(select count(*)::int from readings r where r.visit_id = v.id) as readings'),
      );
  return {
    find: (context: RequestContext, id: string): Promise<VisitRow | undefined> =>
      visits(context).where('v.id', id).first<VisitRow>('v.*', 'f.zone', 'p.name as person_name'),

    ofSystem: async (context: RequestContext, systemId: string): Promise<VisitView[]> => {
      const rows = await visits(context)
        .where('v.system_id', systemId)
        .orderBy('v.started_at', 'desc')
        .select<VisitRow[]>('v.*', 'f.zone', 'p.name as person_name');
      return rows.map(viewOfVisit);
    },

    /** Visits that are under way on some systems. */
    async underWay(context: RequestContext, systems: readonly string[]) {
      const rows = await db('visits')
        .where({ firm_id: context.firmId })
        .whereNull('closed_at')
        .modify(anyOf('system_id', systems))
        .orderBy('started_at')
        .select<{ system_id: string; person_id: string; started_at: Date }[]>('system_id', 'person_id', 'started_at');
      return rows.map((v) => ({ systemId: v.system_id, personId: v.person_id, startedAt: v.started_at.toISOString() }));
    },

    /** What is under way and what was closed last, at one moment: a visit that is being closed is in one of them. */
    async page(context: RequestContext): Promise<{ open: VisitLine[]; closed: VisitLine[] }> {
      const open = lines(context).whereNull('v.closed_at').limit(50);
      const closed = lines(context).whereNotNull('v.closed_at').limit(40);
      const rows = (await db.unionAll([open, closed], true)) as LineRow[];
      const [under, ended] = [rows.filter((r) => r.closed_at === null), rows.filter((r) => r.closed_at !== null)];
      return { open: under.map(lineOf), closed: ended.map(lineOf) };
    },

    insert: (context: RequestContext, id: string, { systemId, startedAt, season }: NewVisit) =>
      db('visits')
        .insert({
          id,
          firm_id: context.firmId,
          system_id: systemId,
          person_id: context.personId,
          started_at: startedAt,
          season: season ?? null,
        })
        .onConflict('id')
        .ignore(),

    /** Keeps what a visit that is a call is about, as it now stands. */
    keepCall: (context: RequestContext, id: string, call: NewCall) =>
      db('visits')
        .where({ firm_id: context.firmId, id })
        .update({ call: JSON.stringify(call) as never }),

    /** How often each fault was proved or repaired, the most frequent first. */
    async proved(context: RequestContext): Promise<ProvedCauses['proved']> {
      const { rows } = await db.raw<{ rows: ProvedCauses['proved'] }>(
        `select fault, count(*)::int as count
         from visits v, jsonb_array_elements_text(v.call -> 'outcome' -> 'faults') as fault
         where v.firm_id = ? and jsonb_typeof(v.call -> 'outcome') = 'object'
           and v.call -> 'outcome' ->> 'is' in ('proved', 'repaired', 'for-now', 'proposed', 'declined', 'unsafe')
         group by fault order by count desc, fault limit 200`,
        [context.firmId],
      );
      return rows;
    },

    close: (context: RequestContext, id: string, closedAt: string, note: string | null) =>
      db('visits').where({ firm_id: context.firmId, id }).whereNull('closed_at').update({ closed_at: closedAt, note }),
  };
};
