import type { Knex } from 'knex';
import type { Logger } from 'pino';

/** What services are wired from: one database handle, the clock, the log, and two speeds (see AppOptions). */
export interface Wiring {
  readonly db: Knex;
  readonly now: () => Date;
  readonly log: Logger;
  readonly probeSpeed: number;
  readonly countedEveryMs: number;
}
