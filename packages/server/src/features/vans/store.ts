import type { Aboard, ComponentPlate, Slot } from '@yarnix/core';
import type { Knex } from 'knex';
import type { RequestContext } from '../../identity/context.ts';

/** A living part of a system that is gone to, and the chance that it is past its limit by the next round. */
export interface PartThere {
  readonly id: string;
  readonly slot: Slot;
  readonly plate: ComponentPlate;
  readonly chance: number;
  readonly address: string;
}

export const vansStore = (db: Knex) => ({
  stock: (context: RequestContext, personId?: string): Promise<Aboard[]> =>
    db('van_stock')
      .where({ firm_id: context.firmId })
      .where('count', '>', 0)
      .modify((some) => {
        if (personId !== undefined) void some.where({ person_id: personId });
      })
      .groupBy('part')
      .orderBy('part')
      .select<Aboard[]>('part', db.raw('sum(count)::int as count')),

  set: (context: RequestContext, personId: string, { part, count }: Aboard) =>
    db('van_stock')
      .insert({ firm_id: context.firmId, person_id: personId, part, count })
      .onConflict(['person_id', 'part'])
      .merge(['count']),

  /** Takes one of a part out of somebody's van, where it is known to be aboard. */
  takeOne: (context: RequestContext, part: string) =>
    db('van_stock')
      .where({ firm_id: context.firmId, person_id: context.personId, part })
      .where('count', '>', 0)
      .decrement('count'),

  /** Parts of some systems that a van carries spares of. */
  partsAt: (
    context: RequestContext,
    systemIds: readonly string[],
    { slots, least }: { slots: readonly Slot[]; least: number },
  ): Promise<PartThere[]> =>
    db('components as k')
      .join('systems as s', 's.id', 'k.system_id')
      .where({ 'k.firm_id': context.firmId, 'k.removed_on': null })
      .whereIn('k.system_id', [...systemIds])
      .whereIn('k.slot', [...slots])
      .where('k.chance', '>=', least)
      .orderBy(['s.address', 'k.id'])
      .select<PartThere[]>('k.id', 'k.slot', 'k.plate', 'k.chance', 's.address'),

  partsNamed: (context: RequestContext, ids: readonly string[]): Promise<PartThere[]> =>
    db('components as k')
      .join('systems as s', 's.id', 'k.system_id')
      .where('k.firm_id', context.firmId)
      .whereIn('k.id', [...ids])
      .orderBy(['s.address', 'k.id'])
      .select<PartThere[]>('k.id', 'k.slot', 'k.plate', 'k.chance', 's.address'),
});
