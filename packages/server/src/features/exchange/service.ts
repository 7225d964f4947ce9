import { READING_COLUMNS, type ExportedReading } from '@yarnix/core';
import { csvOf } from '../../http/csv.ts';
import type { RequestContext } from '../../identity/context.ts';
import type { On } from '../../wiring.ts';
import { exchangeStore } from './store.ts';

/** What readings are asked for. */
export interface AskedReadings {
  readonly systemId?: string | undefined;
  readonly since?: string | undefined;
  readonly after?: string | undefined;
}

/** Systems whose readings are held in memory at a time: some ten thousand rows. */
const AT_A_TIME = 40;

const rowOf = (reading: ExportedReading) => READING_COLUMNS.map(({ of }) => of(reading));

/** What leaves the firm in open formats. */
export function exchangeService({ db }: On) {
  const store = exchangeStore(db);
  return {
    /**
     * All readings as CSV, one a row, in pieces: the whole is never held. Systems come in the order of their ids, so that a
     * file cut short goes on after the last system that is whole in it.
     */
    async *readingsCsv(
      context: RequestContext,
      { systemId, since = '1950-01-01', after: begun }: AskedReadings,
    ): AsyncGenerator<string> {
      const next = (after: string | undefined) => store.systemsAfter(context, after, AT_A_TIME);
      // Asked before the first piece: a database that is away is told as that, and not as an empty file.
      let systems = systemId === undefined ? await next(begun) : [systemId];
      yield csvOf([READING_COLUMNS.map(({ name }) => name)]);
      while (systems.length > 0) {
        yield csvOf((await store.readingsOf(context, systems, since)).map(rowOf));
        systems = systemId === undefined ? await next(systems.at(-1)) : [];
      }
    },
  };
}
