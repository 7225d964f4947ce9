import type { Knex } from 'knex';
import type { Logger } from 'pino';
import type { JobQueue } from './jobs/queue.ts';

/** What services are wired from: one database handle, the clock, the log, the queue of jobs, and two speeds (see AppOptions). */
export interface Wiring {
  readonly db: Knex;
  readonly now: () => Date;
  readonly log: Logger;
  readonly jobs: JobQueue;
  readonly probeSpeed: number;
  readonly countedEveryMs: number;
}

/**
 * Where a service works: the wiring, and those other services on the same database handle that it says it needs, each by
 * the few functions it calls (asked for when used, not when made: two may need each other). `transact` gives the same on a transaction: what is done within is done whole or not at all.
 */
export interface On<Needs extends object = object> extends Wiring {
  readonly needs: Needs;
  readonly transact: <T>(work: (within: Within<Needs>) => Promise<T>) => Promise<T>;
}

/**
 * The same within a transaction. What is to happen there takes one of these, and neither a handle nor services from
 * anywhere else: its own are all on the transaction's connection.
 */
export interface Within<Needs extends object = object> extends On<Needs> {
  readonly db: Knex.Transaction;
}

/** What a service that only writes is made from: it has no handle but that of the transactions it opens. */
export type Writing<Needs extends object = object> = Pick<On<Needs>, 'now' | 'transact'>;

/** An object whose values are made when they are first asked for. */
export function lazily<T extends object>(makers: { readonly [K in keyof T]: () => T[K] }): T {
  const made = {} as T;
  for (const name of Object.keys(makers) as (keyof T)[]) {
    Object.defineProperty(made, name, {
      enumerable: true,
      configurable: true,
      get: () => {
        const value = makers[name]();
        Object.defineProperty(made, name, { enumerable: true, value });
        return value;
      },
    });
  }
  return made;
}
