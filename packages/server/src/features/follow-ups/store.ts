import type { FollowUpView, NewFollowUp } from '@yarnix/core';
import type { Knex } from 'knex';
import { ProblemError } from '../../http/problems.ts';
import type { RequestContext } from '../../identity/context.ts';

interface FollowUpRow {
  firm_id: string;
  id: string;
  visit_id: string;
  system_id: string;
  component_id: string;
  kind: string;
  point: FollowUpView['point'];
  method: string;
  reason: FollowUpView['reason'];
  note: string | null;
  due_on: string;
  put_off_at: Date;
  done_by: string | null;
  withdrawn: boolean;
}

const viewOf = (row: FollowUpRow): FollowUpView => ({
  id: row.id,
  visitId: row.visit_id,
  systemId: row.system_id,
  componentId: row.component_id,
  kind: row.kind,
  point: row.point,
  method: row.method,
  reason: row.reason,
  note: row.note,
  dueOn: row.due_on,
  putOffAt: row.put_off_at.toISOString(),
  doneBy: row.done_by,
  withdrawn: row.withdrawn,
});

export const followUpsStore = (db: Knex) => ({
  async ofSystem(context: RequestContext, systemId: string): Promise<FollowUpView[]> {
    const rows = await db<FollowUpRow>('follow_ups')
      .where({ firm_id: context.firmId, system_id: systemId })
      .orderBy(['due_on', 'id']);
    return rows.map(viewOf);
  },
  async toDo(context: RequestContext): Promise<(FollowUpView & { address: string; customerName: string })[]> {
    const rows = await db('follow_ups as f')
      .join('systems as s', 's.id', 'f.system_id')
      .join('customers as c', 'c.id', 's.customer_id')
      .where({ 'f.firm_id': context.firmId, 'f.withdrawn': false })
      .whereNull('f.done_by')
      .orderBy(['f.due_on', 'f.id'])
      .limit(200)
      .select<(FollowUpRow & { address: string; customer_name: string })[]>(
        'f.*',
        's.address',
        'c.name as customer_name',
      );
    return rows.map((row) => ({ ...viewOf(row), address: row.address, customerName: row.customer_name }));
  },
  async find(context: RequestContext, id: string): Promise<FollowUpView | undefined> {
    const row = await db<FollowUpRow>('follow_ups').where({ firm_id: context.firmId, id }).first();
    return row && viewOf(row);
  },
  /** Keeps the latest state of a follow-up. Throws id-taken when the id is another firm's. */
  async put(context: RequestContext, id: string, systemId: string, asked: NewFollowUp): Promise<FollowUpView> {
    const state = {
      reason: asked.reason,
      note: asked.note ?? null,
      due_on: asked.dueOn,
      withdrawn: asked.withdrawn,
    };
    await db('follow_ups')
      .insert({
        id,
        firm_id: context.firmId,
        visit_id: asked.visitId,
        system_id: systemId,
        component_id: asked.componentId,
        kind: asked.kind,
        point: asked.point,
        method: asked.method,
        put_off_at: asked.putOffAt,
        ...state,
      })
      .onConflict('id')
      .ignore();
    const [row] = await db<FollowUpRow>('follow_ups')
      .where({ firm_id: context.firmId, id })
      .update(state)
      .returning('*');
    if (!row) throw new ProblemError('id-taken', 'Another follow-up has this id.');
    return viewOf(row);
  },
  /** A reading taken at the same place settles what was put off there before it. */
  settle: (
    context: RequestContext,
    by: { id: string; componentId: string; kind: string; point: string; takenAt: string },
  ) =>
    db('follow_ups')
      .where({ firm_id: context.firmId, component_id: by.componentId, kind: by.kind, point: by.point })
      .whereNull('done_by')
      .andWhere('put_off_at', '<=', by.takenAt)
      .update({ done_by: by.id }),
});
