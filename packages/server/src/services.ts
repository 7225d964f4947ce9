import type { Knex } from 'knex';
import { fittingService } from './features/parts/fitting.ts';
import { takingService } from './features/readings/service.ts';
import { sessionService } from './features/session/service.ts';
import { systemsService } from './features/systems/service.ts';
import { visitsService } from './features/visits/service.ts';
import { watchService } from './features/watch/service.ts';

/** Every service on one database handle, and the clock. */
export const servicesOn = (db: Knex, now: () => Date) => ({
  now,
  session: sessionService(db),
  systems: systemsService(db),
  fitting: fittingService(db),
  visits: visitsService(db),
  taking: takingService(db, now),
  watch: watchService(db),
});

export type Services = ReturnType<typeof servicesOn>;
