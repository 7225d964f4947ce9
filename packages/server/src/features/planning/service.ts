import {
  dayIn,
  minutesFor,
  planningSchema,
  roundMinutes,
  USUAL_SEASON_STARTS,
  type Day,
  type DayFrame,
  type GeoPlace,
  type PlanningSettings,
  type SeasonStarts,
  type SystemDetail,
  type SystemKind,
} from '@yarnix/core';
import { notFound } from '../../http/problems.ts';
import type { RequestContext } from '../../identity/context.ts';
import type { On } from '../../wiring.ts';
import { planningStore } from './store.ts';

interface Needs {
  readonly systems: {
    areas(context: RequestContext): Promise<string[]>;
    detail(context: RequestContext, id: string): Promise<SystemDetail>;
  };
}

/** From eight to five with half an hour between: what holds until a firm says otherwise. */
const USUAL: PlanningSettings = {
  ...USUAL_SEASON_STARTS,
  begins: 8 * 60,
  ends: 17 * 60,
  breakMinutes: 30,
  start: null,
  areas: [],
};

/** How a firm plans: its seasons, its days, where they begin, and what its rounds take. */
export function planningService({ db, needs, transact }: On<Needs>) {
  const store = planningStore(db);
  const kept = async (context: RequestContext) => {
    const own = await store.settings(context);
    return planningSchema.parse({ ...USUAL, ...(typeof own === 'object' ? own : {}) });
  };
  const settings = async (context: RequestContext): Promise<PlanningSettings> => {
    const own = await kept(context);
    const places = new Map((await store.areaPlaces(context)).map(({ area, lat, lng }) => [area, { lat, lng }]));
    const areas = [...new Set([...(await needs.systems.areas(context)), ...places.keys()])].sort();
    return { ...own, areas: areas.map((area) => ({ area, place: places.get(area) ?? null })) };
  };
  return {
    settings,
    keep: (context: RequestContext, { areas, ...own }: PlanningSettings): Promise<PlanningSettings> =>
      transact(async (within) => {
        const held = planningStore(within.db);
        await held.keep(context, own);
        await held.keepAreas(
          context,
          areas.flatMap(({ area, place }) => (place ? [{ area, ...place }] : [])),
        );
        return planningService(within).settings(context);
      }),
    /** Says where a system is. */
    async place(context: RequestContext, systemId: string, place: GeoPlace | null): Promise<SystemDetail> {
      if ((await store.setPlace(context, systemId, place)) === 0) throw notFound('system');
      return needs.systems.detail(context, systemId);
    },
    /** The time zone that the firm's days are of. */
    zone: (context: RequestContext): Promise<string> => store.zone(context),
    /** The firm's day at a moment. */
    dayOf: async (context: RequestContext, moment: Date | string): Promise<Day> =>
      dayIn(await store.zone(context), new Date(moment).toISOString()),
    seasons: async (context: RequestContext): Promise<SeasonStarts> => {
      const { heat, frost } = await kept(context);
      return { heat, frost };
    },
    frame: async (context: RequestContext): Promise<DayFrame> => {
      const { begins, ends, breakMinutes, start } = await kept(context);
      return { begins, ends, breakMinutes, start };
    },
    /** Minutes a round takes on a kind of system, by the firm's own. */
    async roundMinutes(context: RequestContext): Promise<(kind: SystemKind) => number> {
      const took = await store.roundsTook(context);
      return (kind) => roundMinutes(minutesFor('round', null), took.get(kind));
    },
    /** Where systems are, by their own place or by that of their area. */
    async placesOf(
      context: RequestContext,
      systems: readonly { readonly systemId: string; readonly area: string | null }[],
    ): Promise<ReadonlyMap<string, GeoPlace>> {
      const own = await store.places(
        context,
        systems.map(({ systemId }) => systemId),
      );
      const places = new Map(own.map(({ id, lat, lng }) => [id, { lat, lng }]));
      const areas = new Map((await store.areaPlaces(context)).map(({ area, lat, lng }) => [area, { lat, lng }]));
      for (const { systemId, area } of systems) {
        const there = area === null ? undefined : areas.get(area);
        if (there && !places.has(systemId)) places.set(systemId, there);
      }
      return places;
    },
  };
}
