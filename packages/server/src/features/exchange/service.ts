import {
  EXPORT_FORM,
  firmExportSchema,
  READING_COLUMNS,
  type ExportedReading,
  type Session,
  type SystemDetail,
} from '@yarnix/core';
import { z } from 'zod';
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

interface Needs {
  readonly systems: { detail(context: RequestContext, id: string): Promise<SystemDetail> };
  readonly session: { session(context: RequestContext): Promise<Session> };
}

/** What leaves the firm in open formats. */
export function exchangeService({ db, now, needs }: On<Needs>) {
  const store = exchangeStore(db);
  return {
    /** The JSON Schema of what `firmJson` writes. */
    exportSchema: (): object => z.toJSONSchema(firmExportSchema, { io: 'output', unrepresentable: 'any' }),

    /** A firm as JSON, or one system of it, in pieces: no more than one system is held. */
    async *firmJson(context: RequestContext, { systemId }: Pick<AskedReadings, 'systemId'>): AsyncGenerator<string> {
      const { firm } = await needs.session.session(context);
      const first = systemId === undefined ? undefined : await needs.systems.detail(context, systemId);
      const head = { form: EXPORT_FORM, exportedAt: now().toISOString(), firm: { id: firm.id, name: firm.name } };
      yield `${JSON.stringify(head).slice(0, -1)},"systems":[`;
      if (first) yield JSON.stringify(first);
      let divider = '';
      let ids = first ? [] : await store.systemsAfter(context, undefined, AT_A_TIME);
      while (ids.length > 0) {
        for (const id of ids) {
          yield divider + JSON.stringify(await needs.systems.detail(context, id));
          divider = ',\n';
        }
        ids = await store.systemsAfter(context, ids.at(-1), AT_A_TIME);
      }
      yield ']}\n';
    },

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
