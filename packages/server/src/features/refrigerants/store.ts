import type { PressurePoint, RefrigerantView } from '@yarnix/core';
import type { Knex } from 'knex';
import type { RequestContext } from '../../identity/context.ts';

interface RefrigerantRow {
  firm_id: string;
  name: string;
  estimate: boolean;
  source: string;
  points: PressurePoint[];
}

export const refrigerantsStore = (db: Knex) => ({
  async all(context: Pick<RequestContext, 'firmId'>): Promise<RefrigerantView[]> {
    const rows = await db<RefrigerantRow>('refrigerants').where({ firm_id: context.firmId }).orderBy('name');
    return rows.map(({ name, estimate, source, points }) => ({ name, estimate, source, points }));
  },
  put: (context: RequestContext, table: RefrigerantView) =>
    db('refrigerants')
      .insert({
        ...table,
        points: JSON.stringify(table.points),
        firm_id: context.firmId,
        loaded_by: context.personId,
        loaded_at: db.fn.now(),
      })
      .onConflict(['firm_id', 'name'])
      .merge(),
});
