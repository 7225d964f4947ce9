import {
  dayIn,
  dayOf,
  isoOf,
  type DayFrame,
  type GeoPlace,
  type Job,
  type JobsPage,
  type Moved,
  type NewDayOrder,
  type PlannedStop,
  type StopMove,
  type Week,
} from '@yarnix/core';
import { isDeepStrictEqual } from 'node:util';
import { together } from '../../database/together.ts';
import { notFound, ProblemError } from '../../http/problems.ts';
import type { RequestContext } from '../../identity/context.ts';
import type { On } from '../../wiring.ts';
import { weekStore } from './store.ts';

interface Needs {
  readonly weekJobs: {
    plannedBetween(context: RequestContext, from: string, to: string): Promise<Job[]>;
    people(context: RequestContext): Promise<JobsPage['people']>;
    plan(context: RequestContext, systemId: string, move: Omit<StopMove, 'before'>): Promise<Job[]>;
  };
  readonly visits: {
    underWay(
      context: RequestContext,
      systems: readonly string[],
    ): Promise<readonly { readonly systemId: string; readonly personId: string; readonly startedAt: string }[]>;
  };
  readonly planning: {
    frame(context: RequestContext): Promise<DayFrame>;
    zone(context: RequestContext): Promise<string>;
    placesOf(
      context: RequestContext,
      systems: readonly { readonly systemId: string; readonly area: string | null }[],
    ): Promise<ReadonlyMap<string, GeoPlace>>;
  };
}

const dayName = (personId: string | null, day: string | null): string => `${personId ?? ''} ${day ?? ''}`;

/** What is planned at one address for one day and person is gone to once. */
function stopsOf(jobs: readonly Job[], places: ReadonlyMap<string, GeoPlace>): PlannedStop[] {
  const stops = new Map<string, PlannedStop>();
  for (const job of jobs) {
    const personId = job.person?.id ?? null;
    const name = `${job.systemId} ${dayName(personId, job.day)}`;
    const there = stops.get(name);
    stops.set(name, {
      systemId: job.systemId,
      address: job.address,
      area: job.area,
      customerName: job.customerName,
      systemKind: job.systemKind,
      place: places.get(job.systemId) ?? null,
      day: job.day,
      personId,
      minutes: (there?.minutes ?? 0) + job.minutes,
      window: there?.window ?? job.window,
      since: null,
      jobs: [...(there?.jobs ?? []), job],
    });
  }
  return [...stops.values()];
}

type UnderWay = Awaited<ReturnType<Needs['visits']['underWay']>>;

/** Where somebody is at work on the day it is planned for, and since when. */
const withThose = (stops: readonly PlannedStop[], visits: UnderWay, zone: string): PlannedStop[] =>
  stops.map((stop) => {
    const own = visits.find((v) => v.systemId === stop.systemId && v.personId === stop.personId);
    return own && isoOf(dayIn(zone, own.startedAt)) === stop.day ? { ...stop, since: own.startedAt } : stop;
  });

/** Where somebody is comes first; then what was put in order, as it was put; what came since, after it, the soonest due first. */
function inOrder(stops: readonly PlannedStop[], order: readonly string[]): PlannedStop[] {
  const places = new Map(order.map((id, at) => [id, at]));
  const at = (stop: PlannedStop) => (stop.since !== null ? -1 : (places.get(stop.systemId) ?? order.length));
  return [...stops].sort((a, b) => at(a) - at(b));
}

/** The days of a firm: who goes where, in which order. */
export function weekService({ db, needs, transact }: On<Needs>) {
  const store = weekStore(db);
  async function stops(context: RequestContext, from: string, to: string): Promise<PlannedStop[]> {
    const jobs = await needs.weekJobs.plannedBetween(context, from, to);
    const [places, kept, underWay] = await together(
      db,
      () => needs.planning.placesOf(context, jobs),
      () => store.orders(context, from, to),
      () => needs.visits.underWay(context, [...new Set(jobs.map((j) => j.systemId))]),
    );
    const all = stopsOf(jobs, places);
    const planned = underWay.length === 0 ? all : withThose(all, underWay, await needs.planning.zone(context));
    const orders = new Map(kept.map((row) => [dayName(row.person_id, row.day), row.systems]));
    const days = new Map<string, PlannedStop[]>();
    for (const stop of planned) {
      const name = dayName(stop.personId, stop.day);
      const there = days.get(name);
      if (there) there.push(stop);
      else days.set(name, [stop]);
    }
    return [...days].flatMap(([name, own]) => inOrder(own, orders.get(name) ?? []));
  }
  const idsOf = async (context: RequestContext, personId: string, day: string): Promise<string[]> =>
    (await stops(context, day, day))
      .filter((stop) => stop.personId === personId && stop.day === day)
      .map(({ systemId }) => systemId);

  return {
    stops,
    async week(context: RequestContext, from: string, count: number): Promise<Week> {
      const days = Array.from({ length: count }, (_, i) => isoOf(dayOf(from) + i));
      const [planned, frame, people] = await together(
        db,
        () => stops(context, from, days.at(-1) ?? from),
        () => needs.planning.frame(context),
        () => needs.weekJobs.people(context),
      );
      return { days, people, frame, stops: planned };
    },

    /** Moves what is planned at an address; all of it, upon what was looked at, or nothing. */
    move: (context: RequestContext, systemId: string, { before, ...move }: StopMove): Promise<Moved> =>
      transact(async (within) => {
        const { day, personId } = move;
        const jobs = await within.needs.weekJobs.plan(context, systemId, move);
        if (day !== null && personId !== null) {
          const held = weekStore(within.db);
          await held.hold(context, personId, day);
          const others = (await weekService(within).idsOf(context, personId, day)).filter((id) => id !== systemId);
          const at = before === null ? -1 : others.indexOf(before);
          await held.keep(context, personId, day, others.toSpliced(at === -1 ? others.length : at, 0, systemId));
        }
        return { systemId, jobs };
      }),

    idsOf,

    /** Puts a day in another order: each address of it once, upon the order that was looked at. */
    order: (context: RequestContext, personId: string, day: string, { systems, was }: NewDayOrder): Promise<Week> =>
      transact(async (within) => {
        if (!(await within.needs.weekJobs.people(context)).some(({ id }) => id === personId)) throw notFound('person');
        const held = weekStore(within.db);
        await held.hold(context, personId, day);
        const own = weekService(within);
        const now = await own.idsOf(context, personId, day);
        if (!isDeepStrictEqual(now, was) && !isDeepStrictEqual(now, systems))
          throw new ProblemError('conflict', 'Somebody changed this day meanwhile. Look again.');
        if (!isDeepStrictEqual(now.toSorted(), systems.toSorted()))
          throw new ProblemError('invalid-request', 'The order must hold each address of the day once.', [
            { path: 'systems', detail: 'must hold each address of the day once' },
          ]);
        await held.keep(context, personId, day, systems);
        return own.week(context, day, 1);
      }),
  };
}
