import type { ExportedFirm, ExportedSystem } from '@yarnix/core';
import type { Knex } from 'knex';
import type { RequestContext } from '../../identity/context.ts';

type PlannedOn = Pick<ExportedSystem, 'decisions' | 'byHand' | 'setAside'>;
type Decision = ExportedSystem['decisions'][number];

const daysStore = (db: Knex) => ({
  dayOrders: (context: RequestContext): Promise<ExportedFirm['dayOrders']> =>
    db('day_orders')
      .where({ firm_id: context.firmId })
      .orderBy(['person_id', 'day'])
      .select<ExportedFirm['dayOrders']>('person_id as personId', 'day', 'systems'),
  vans: (context: RequestContext): Promise<ExportedFirm['vans']> =>
    db('van_stock')
      .where({ firm_id: context.firmId })
      .orderBy(['person_id', 'part'])
      .select<ExportedFirm['vans']>('person_id as personId', 'part', 'count'),
});

const systemStore = (db: Knex) => ({
  async decisions(context: RequestContext, systemId: string): Promise<Decision[]> {
    const rows = await db('job_decisions')
      .where({ firm_id: context.firmId, system_id: systemId })
      .orderBy('key')
      .select<(Omit<Decision, 'window' | 'at'> & { from: number | null; to: number | null; at: Date })[]>(
        'key',
        'decision',
        'note',
        'day',
        'person_id as personId',
        'from_minute as from',
        'to_minute as to',
        'severity',
        'version',
        'decided_by as by',
        'decided_at as at',
      );
    return rows.map(({ from, to, at, ...row }) => ({
      ...row,
      window: from === null || to === null ? null : { from, to },
      at: at.toISOString(),
    }));
  },
  async byHand(context: RequestContext, systemId: string): Promise<ExportedSystem['byHand']> {
    const rows = await db('jobs_by_hand')
      .where({ firm_id: context.firmId, system_id: systemId })
      .orderBy('id')
      .select<(Omit<ExportedSystem['byHand'][number], 'at'> & { at: Date })[]>(
        'id',
        'person_id as by',
        'task as text',
        'by_when as byWhen',
        'minutes',
        'made_at as at',
      );
    return rows.map((row) => ({ ...row, at: row.at.toISOString() }));
  },
  async setAside(context: RequestContext, systemId: string): Promise<ExportedSystem['setAside']> {
    const rows = await db('snoozes as z')
      .join('components as k', 'k.id', 'z.component_id')
      .where({ 'z.firm_id': context.firmId, 'k.system_id': systemId })
      .orderBy('z.component_id')
      .select<(Omit<ExportedSystem['setAside'][number], 'at'> & { at: Date })[]>(
        'z.component_id as componentId',
        'z.person_id as by',
        'z.until',
        'z.reason',
        'z.set_at as at',
      );
    return rows.map((row) => ({ ...row, at: row.at.toISOString() }));
  },
});

/** What is planned of a firm, as rows of the database have it. */
export const planStore = (db: Knex) => ({
  ...daysStore(db),
  async ofSystem(context: RequestContext, id: string): Promise<PlannedOn> {
    const on = systemStore(db);
    return {
      decisions: await on.decisions(context, id),
      byHand: await on.byHand(context, id),
      setAside: await on.setAside(context, id),
    };
  },
});
