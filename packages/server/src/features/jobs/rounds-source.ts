import type { Day, PartWaiting } from '@yarnix/core';
import type { Knex } from 'knex';
import { anyOf } from '../../database/any-of.ts';
import type { RequestContext } from '../../identity/context.ts';
import { PLACED, type Asked, type Place } from './sources.ts';

export interface RoundRow extends Place {
  readonly id: string;
  readonly lastRound: Day | null;
  readonly parts: readonly PartWaiting[];
}

/** From this chance on a part adds to what a wait may cost. */
const TELLING = 0.01;

type PartRow = PartWaiting & { readonly system_id: string };

/** Systems with the day of their last round and what frays on them; those that are named, or all that match. */
export async function roundRows(
  db: Knex,
  context: RequestContext,
  { systemId, area, systemIds }: Asked,
  days: { readonly dayOf: (moment: Date) => Day },
  named?: readonly string[],
): Promise<RoundRow[]> {
  const { firmId } = context;
  const these = named ?? (systemId === undefined ? systemIds : [systemId]);
  const ofThese = (column: string) => (some: Knex.QueryBuilder) => {
    if (these) some.modify(anyOf(column, these));
  };
  const lastRounds = db('visits')
    .where({ firm_id: firmId, call: null })
    .modify(ofThese('system_id'))
    .groupBy('system_id')
    .select('system_id')
    .max('started_at as last_round')
    .as('v');
  const rows = await db('systems as s')
    .join('customers as c', 'c.id', 's.customer_id')
    .leftJoin(lastRounds, 'v.system_id', 's.id')
    .where('s.firm_id', firmId)
    .modify(ofThese('s.id'))
    .modify((some) => {
      if (area !== undefined) void some.where('s.area', area);
    })
    .select<(Omit<RoundRow, 'lastRound'> & { last_round: Date | null })[]>(
      's.id',
      's.id as system_id',
      ...PLACED,
      'v.last_round',
    );
  const parts = await db('components')
    .where({ firm_id: firmId, removed_on: null })
    .where((any) => {
      void any.where('chance', '>=', TELLING).orWhereNotNull('ahead');
    })
    .modify(ofThese('system_id'))
    .select<PartRow[]>('system_id', 'slot', 'standing', 'chance', 'ahead');
  const partsOf = new Map<string, PartRow[]>();
  for (const part of parts) partsOf.set(part.system_id, [...(partsOf.get(part.system_id) ?? []), part]);
  return rows.map(({ last_round, ...row }) => ({
    ...row,
    lastRound: last_round && days.dayOf(last_round),
    parts: partsOf.get(row.id) ?? [],
  }));
}
