import type { Knex } from 'knex';
import type { RequestContext } from '../../identity/context.ts';

/** The order in which somebody goes to the addresses of a day. */
export interface DayOrderRow {
  readonly person_id: string;
  readonly day: string;
  readonly systems: readonly string[];
}

export const weekStore = (db: Knex) => ({
  orders: (context: RequestContext, from: string, to: string): Promise<DayOrderRow[]> =>
    db('day_orders')
      .where({ firm_id: context.firmId })
      .whereBetween('day', [from, to])
      .select<DayOrderRow[]>('person_id', 'day', 'systems'),
  /** The order of a day, held until the transaction ends; empty where none was made. */
  async hold(context: RequestContext, personId: string, day: string): Promise<readonly string[]> {
    const at = { firm_id: context.firmId, person_id: personId, day };
    await db('day_orders')
      .insert({ ...at, systems: [] })
      .onConflict()
      .ignore();
    const row = await db('day_orders').where(at).forUpdate().first<DayOrderRow | undefined>('systems');
    return row?.systems ?? [];
  },
  keep: (context: RequestContext, personId: string, day: string, systems: readonly string[]) =>
    db('day_orders')
      .where({ firm_id: context.firmId, person_id: personId, day })
      .update({ systems: db.raw('?::uuid[]', [[...systems]]) }),
});
