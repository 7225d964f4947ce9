import { COOLING_SIDE, HEATING_ONLY, LIKELY_TO_FAIL, severityOf, type Slot, type Standing } from '@yarnix/core';
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

const HEATS_WITH_ITS_COMPRESSOR = '%heat-pump';

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
        void parts.whereRaw('k.severity >= 2');
      else void parts.whereIn('k.severity', severities);
    });
  if (filter.area !== undefined) void query.whereIn('k.system_id', systems.clone().where({ area: filter.area }));
  if (filter.slots) void query.whereIn('k.slot', [...filter.slots]);
  if (filter.season === 'cooling') void query.whereNotIn('k.slot', [...HEATING_ONLY]);
  if (filter.season === 'heating') {
    const heatPumps = systems.clone().whereLike('kind', HEATS_WITH_ITS_COMPRESSOR);
    void query.where((part) => {
      void part.whereNotIn('k.slot', [...COOLING_SIDE]).orWhereIn('k.system_id', heatPumps);
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
