import { LIKELY_TO_FAIL, servesIn, severityOf, SLOTS, SYSTEM_KINDS, type Slot, type Standing } from '@yarnix/core';
import type { Knex } from 'knex';
import type { RequestContext } from '../../identity/context.ts';

export interface WatchFilter {
  readonly standing: readonly Standing[];
  readonly area: string | undefined;
  readonly season: 'cooling' | 'heating' | undefined;
  readonly slots: readonly Slot[] | undefined;
  readonly snoozed: 'only' | 'with' | undefined;
  /** "2026-11-25": what is set aside until a later day is set aside. */
  readonly today: string;
}

/** Parts of the firm that match a filter, but for what is set aside. */
function matchingParts(db: Knex, context: RequestContext, filter: WatchFilter): Knex.QueryBuilder {
  const systems = db('systems').select('id').where({ firm_id: context.firmId });
  const query = db('components as k')
    .where('k.firm_id', context.firmId)
    .whereNull('k.removed_on')
    .whereNotNull('k.lead')
    .modify((parts) => {
      const severities = filter.standing.map(severityOf);
      // Said as the index of the urgent says it, so that the first page is read from it in its order.
      if (LIKELY_TO_FAIL.every((s) => filter.standing.includes(s)) && severities.length === LIKELY_TO_FAIL.length)
        void parts.whereRaw(`k.severity >= ${severityOf('watch')}`);
      else void parts.whereIn('k.severity', severities);
    });
  if (filter.area !== undefined) void query.whereIn('k.system_id', systems.clone().where({ area: filter.area }));
  if (filter.slots) void query.whereIn('k.slot', [...filter.slots]);
  const { season } = filter;
  if (season !== undefined) {
    void query.where((any) => {
      for (const slot of SLOTS) {
        const kinds = SYSTEM_KINDS.filter((kind) => servesIn(season, slot, kind));
        if (kinds.length === SYSTEM_KINDS.length) void any.orWhere('k.slot', slot);
        else if (kinds.length > 0)
          void any.orWhere((one) => {
            void one.where('k.slot', slot).whereIn('k.system_id', systems.clone().whereIn('kind', kinds));
          });
      }
    });
  }
  return query;
}

const setAside = (db: Knex, context: RequestContext, today: string) =>
  db('snoozes').select('component_id').where({ firm_id: context.firmId }).where('until', '>', today);

/** Parts of the firm that match a filter. */
export function matching(db: Knex, context: RequestContext, filter: WatchFilter): Knex.QueryBuilder {
  const query = matchingParts(db, context, filter);
  if (filter.snoozed === 'with') return query;
  const aside = setAside(db, context, filter.today);
  return filter.snoozed === 'only' ? query.whereIn('k.id', aside) : query.whereNotIn('k.id', aside);
}

/** Of the parts that match but for that, those that are set aside. */
export const matchingAside = (db: Knex, context: RequestContext, filter: WatchFilter): Knex.QueryBuilder =>
  matching(db, context, { ...filter, snoozed: 'only' });
