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
import { closingService } from './features/visits/closing.ts';
import { visitsService } from './features/visits/service.ts';
import { watchService } from './features/watch/service.ts';
import type { Wiring } from './wiring.ts';

/** Every service on one database handle, and the clock. */
export const servicesOn = ({ db, now, log, probeSpeed, countedEveryMs }: Wiring) => ({
  now,
  probeSpeed,
  session: sessionService(db),
  systems: systemsService(db, now),
  fitting: fittingService(db, now),
  events: noteEventService(db, now),
  visits: visitsService(db, now),
  closing: closingService(db, now),
  taking: takingService(db, now),
  looseEnds: looseEndsService(db, now),
  followUps: followUpsService(db, now),
  photos: photosService(db, now),
  refrigerants: refrigerantsService(db),
  probes: probesService(db, now),
  watch: watchService({ db, now, log, countedEveryMs }),
  refits: refitsService(db, now),
});

export type Services = ReturnType<typeof servicesOn>;
