import type { Knex } from 'knex';
import { noteEventService } from './features/events/noting.ts';
import { followUpsService } from './features/follow-ups/service.ts';
import { looseEndsService } from './features/loose-ends/service.ts';
import { fittingService } from './features/parts/fitting.ts';
import { photosService } from './features/photos/service.ts';
import { probesService } from './features/probes/service.ts';
import { refrigerantsService } from './features/refrigerants/service.ts';
import { refitsService } from './features/refits/service.ts';
import { takingService } from './features/readings/service.ts';
import { sessionService } from './features/session/service.ts';
import { systemsService } from './features/systems/service.ts';
import { visitsService } from './features/visits/service.ts';
import { watchService } from './features/watch/service.ts';

/** Every service on one database handle, and the clock. */
export const servicesOn = (db: Knex, now: () => Date, probeSpeed: number, countedEveryMs: number) => ({
  now,
  probeSpeed,
  session: sessionService(db),
  systems: systemsService(db, now),
  fitting: fittingService(db, now),
  events: noteEventService(db, now),
  visits: visitsService(db),
  taking: takingService(db, now),
  looseEnds: looseEndsService(db),
  followUps: followUpsService(db),
  photos: photosService(db),
  refrigerants: refrigerantsService(db),
  probes: probesService(db, now),
  watch: watchService(db, now, countedEveryMs),
  refits: refitsService(db, now),
});

export type Services = ReturnType<typeof servicesOn>;
