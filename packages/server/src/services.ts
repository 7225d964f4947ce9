import { inTransaction } from './database/transaction.ts';
import { callsService } from './features/visits/calls.ts';
import { calendarService } from './features/calendar/service.ts';
import { closingService } from './features/visits/closing.ts';
import { eventsService } from './features/events/service.ts';
import { fittingService } from './features/parts/fitting.ts';
import { followUpsService } from './features/follow-ups/service.ts';
import { exchangeService } from './features/exchange/service.ts';
import { feedService } from './features/feed/service.ts';
import { importsService } from './features/imports/service.ts';
import { jobsService } from './features/jobs/service.ts';
import { looseEndsService } from './features/loose-ends/service.ts';
import { metersService } from './features/meters/service.ts';
import { partsService } from './features/parts/service.ts';
import { photosService } from './features/photos/service.ts';
import { probesService } from './features/probes/service.ts';
import { readingsService } from './features/readings/service.ts';
import { refitsService } from './features/refits/service.ts';
import { refrigerantsService } from './features/refrigerants/service.ts';
import { restoresService } from './features/restores/service.ts';
import { schoolsService } from './features/schools/service.ts';
import { sessionService } from './features/session/service.ts';
import { systemsService } from './features/systems/service.ts';
import { planningService } from './features/planning/service.ts';
import { reportsService } from './features/reports/service.ts';
import { vansService } from './features/vans/service.ts';
import { weekService } from './features/week/service.ts';
import { visitsService } from './features/visits/service.ts';
import { watchService } from './features/watch/service.ts';
import { lazily, type On, type Wiring } from './wiring.ts';

/** Every service there is. Each says in its own file which of the others it needs; here, and only here, it is given them. */
export interface Services {
  readonly session: ReturnType<typeof sessionService>;
  readonly systems: ReturnType<typeof systemsService>;
  readonly parts: ReturnType<typeof partsService>;
  readonly fitting: ReturnType<typeof fittingService>;
  readonly events: ReturnType<typeof eventsService>;
  readonly visits: ReturnType<typeof visitsService>;
  readonly calls: ReturnType<typeof callsService>;
  readonly closing: ReturnType<typeof closingService>;
  readonly readings: ReturnType<typeof readingsService>;
  readonly looseEnds: ReturnType<typeof looseEndsService>;
  readonly followUps: ReturnType<typeof followUpsService>;
  readonly photos: ReturnType<typeof photosService>;
  readonly refrigerants: ReturnType<typeof refrigerantsService>;
  readonly probes: ReturnType<typeof probesService>;
  readonly watch: ReturnType<typeof watchService>;
  readonly refits: ReturnType<typeof refitsService>;
  readonly restores: ReturnType<typeof restoresService>;
  readonly schools: ReturnType<typeof schoolsService>;
  readonly meters: ReturnType<typeof metersService>;
  readonly vans: ReturnType<typeof vansService>;
  readonly planning: ReturnType<typeof planningService>;
  readonly week: ReturnType<typeof weekService>;
  readonly reports: ReturnType<typeof reportsService>;
  readonly calendar: ReturnType<typeof calendarService>;
  readonly exchange: ReturnType<typeof exchangeService>;
  readonly feed: ReturnType<typeof feedService>;
  readonly imports: ReturnType<typeof importsService>;
  readonly weekJobs: ReturnType<typeof jobsService>;
}

/** Wires every service on one database handle. */
export function servicesOn(wiring: Wiring): Services {
  const services: Services = lazily<Services>({
    session: () => sessionService(on),
    systems: () => systemsService(on),
    parts: () => partsService(on),
    fitting: () => fittingService(on),
    events: () => eventsService(on),
    visits: () => visitsService(on),
    calls: () => callsService(on),
    closing: () => closingService(on),
    readings: () => readingsService(on),
    looseEnds: () => looseEndsService(on),
    followUps: () => followUpsService(on),
    photos: () => photosService(on),
    refrigerants: () => refrigerantsService(on),
    probes: () => probesService(on),
    watch: () => watchService(on),
    refits: () => refitsService(on),
    restores: () => restoresService(on),
    schools: () => schoolsService(on),
    meters: () => metersService(on),
    vans: () => vansService(on),
    planning: () => planningService(on),
    week: () => weekService(on),
    reports: () => reportsService(on),
    calendar: () => calendarService(on),
    exchange: () => exchangeService(on),
    feed: () => feedService(on),
    imports: () => importsService(on),
    weekJobs: () => jobsService(on),
  });
  const on = onHandle(wiring, services);
  return services;
}

const onHandle = (wiring: Wiring, needs: Services): On<Services> => ({
  ...wiring,
  needs,
  transact: (work) =>
    inTransaction(wiring.db, (held) => {
      const within = { ...wiring, db: held };
      return work({ ...onHandle(within, servicesOn(within)), db: held });
    }),
});
