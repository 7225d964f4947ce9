import type { Slot, Standing, StandingChange } from '@yarnix/core';
import type { Knex } from 'knex';
import type { RequestContext } from '../../identity/context.ts';

export const changesStore = (db: Knex) => ({
  /** Parts that stand otherwise now than they did at a moment, the newest change first; what went to and fro is left out. */
  async changes(context: RequestContext, since: Date): Promise<StandingChange[]> {
    const first = db('standing_changes')
      .where({ firm_id: context.firmId })
      .where('at', '>=', since)
      .distinctOn('component_id')
      .orderBy(['component_id', 'at', 'id'])
      .select('component_id', 'from_standing')
      .as('f');
    const latest = db('standing_changes')
      .where({ firm_id: context.firmId })
      .where('at', '>=', since)
      .groupBy('component_id')
      .select('component_id', db.raw('max(at) as at'))
      .as('l');
    const rows = await db(first)
      .join(latest, 'l.component_id', 'f.component_id')
      .join('components as k', 'k.id', 'f.component_id')
      .join('systems as s', 's.id', 'k.system_id')
      .whereNull('k.removed_on')
      .whereRaw('k.standing <> f.from_standing')
      .orderBy([{ column: 'l.at', order: 'desc' }, 'k.id'])
      .select<{ id: string; system_id: string; slot: Slot; address: string; from: Standing; to: Standing; at: Date }[]>(
        'k.id',
        'k.system_id',
        'k.slot',
        's.address',
        'f.from_standing as from',
        'k.standing as to',
        'l.at',
      );
    return rows.map((r) => ({
      componentId: r.id,
      systemId: r.system_id,
      slot: r.slot,
      address: r.address,
      from: r.from,
      to: r.to,
      at: r.at.toISOString(),
    }));
  },
});
