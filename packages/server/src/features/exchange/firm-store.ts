import type { ExportedFirm } from '@yarnix/core';
import type { Knex } from 'knex';
import type { RequestContext } from '../../identity/context.ts';

/** Where people are named, by table and column. */
const NAMES_PEOPLE: readonly (readonly [table: string, column?: string])[] = [
  ['visits'],
  ['readings'],
  ['photos'],
  ['system_events'],
  ['meters'],
  ['meter_checks'],
  ['job_decisions'],
  ['job_decisions', 'decided_by'],
  ['jobs_by_hand'],
  ['snoozes'],
  ['day_orders'],
  ['van_stock'],
];

/** What a firm's systems rest on, as rows of the database have it. */
export const firmStore = (db: Knex) => ({
  /** Those who did something on a system, have something planned, or have meters or a van of their own. */
  people: (context: RequestContext): Promise<ExportedFirm['people']> => {
    const named = (table: string, column: string) =>
      db(table).where({ firm_id: context.firmId }).whereNotNull(column).distinct(column);
    return db('people')
      .where({ firm_id: context.firmId })
      .where((some) =>
        NAMES_PEOPLE.forEach(([table, column = 'person_id']) => void some.orWhereIn('id', named(table, column))),
      )
      .orderBy('id')
      .select<ExportedFirm['people']>('id', 'name', 'initials');
  },
  meters: (context: RequestContext): Promise<ExportedFirm['meters']> =>
    db('meters')
      .where({ firm_id: context.firmId })
      .orderBy('id')
      .select<ExportedFirm['meters']>('id', 'person_id as personId', 'kind', 'name', 'since', 'until'),
  async checks(context: RequestContext): Promise<ExportedFirm['checks']> {
    const rows = await db('meter_checks')
      .where({ firm_id: context.firmId })
      .orderBy('id')
      .select<(Omit<ExportedFirm['checks'][number], 'takenAt'> & { takenAt: Date })[]>(
        'id',
        'meter_id as meterId',
        'person_id as personId',
        'quantity',
        'against',
        'known',
        'known_within as knownWithin',
        'shown',
        'taken_at as takenAt',
      );
    return rows.map((row) => ({ ...row, takenAt: row.takenAt.toISOString() }));
  },
  /** Whose a system is, and who did what on it. */
  async behind(context: RequestContext, systemId: string): Promise<{ customerId: string; by: Record<string, string> }> {
    const own = { firm_id: context.firmId, system_id: systemId };
    const did = (table: string) => db(table).where(own).select<{ id: string; by: string }[]>('id', 'person_id as by');
    const [system, visits, photos, events, readings] = await Promise.all([
      db('systems').where({ firm_id: context.firmId, id: systemId }).first<{ customer_id: string }>('customer_id'),
      did('visits'),
      did('photos'),
      did('system_events').where({ withdrawn: false }),
      db('readings as r')
        .join('visits as v', 'v.id', 'r.visit_id')
        .where({ 'r.firm_id': context.firmId, 'r.system_id': systemId })
        .whereRaw('r.person_id <> v.person_id')
        .select<{ id: string; by: string }[]>('r.id', 'r.person_id as by'),
    ]);
    const all = [...visits, ...photos, ...events, ...readings].sort((a, b) => (a.id < b.id ? -1 : 1));
    return { customerId: system.customer_id, by: Object.fromEntries(all.map(({ id, by }) => [id, by])) };
  },
});
