import type { LooseEndView, NewLooseEnd } from '@yarnix/core';
import type { Knex } from 'knex';
import { ProblemError } from '../../http/problems.ts';
import type { RequestContext } from '../../identity/context.ts';

interface LooseEndRow {
  firm_id: string;
  system_id: string;
  id: string;
  visit_id: string;
  code: LooseEndView['code'];
  text: string;
  opened_at: Date;
  put_back_at: Date | null;
  left_because: string | null;
}

const viewOf = (row: LooseEndRow): LooseEndView => ({
  id: row.id,
  visitId: row.visit_id,
  code: row.code,
  text: row.text,
  openedAt: row.opened_at.toISOString(),
  putBackAt: row.put_back_at?.toISOString() ?? null,
  leftBecause: row.left_because,
});

export const looseEndsStore = (db: Knex) => ({
  async where(context: RequestContext, by: { visit_id: string } | { system_id: string }): Promise<LooseEndView[]> {
    const rows = await db<LooseEndRow>('loose_ends')
      .where({ firm_id: context.firmId, ...by })
      .orderBy(['opened_at', 'id']);
    return rows.map(viewOf);
  },
  async find(context: RequestContext, id: string): Promise<LooseEndView | undefined> {
    const row = await db<LooseEndRow>('loose_ends').where({ firm_id: context.firmId, id }).first();
    return row && viewOf(row);
  },
  /** Keeps the latest state. Throws id-taken when the id is another firm's. */
  async put(context: RequestContext, id: string, systemId: string, end: NewLooseEnd): Promise<LooseEndView> {
    const state = { put_back_at: end.putBackAt, left_because: end.leftBecause };
    await db('loose_ends')
      .insert({
        id,
        firm_id: context.firmId,
        visit_id: end.visitId,
        system_id: systemId,
        code: end.code,
        text: end.text,
        opened_at: end.openedAt,
        ...state,
      })
      .onConflict('id')
      .ignore();
    const [row] = await db('loose_ends')
      .where({ id, firm_id: context.firmId })
      .update(state)
      .returning<LooseEndRow[]>('*');
    if (!row) throw new ProblemError('id-taken', 'Another loose end has this id.');
    return viewOf(row);
  },
});
