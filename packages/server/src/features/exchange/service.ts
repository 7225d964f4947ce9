import {
  EXPORT_FORM,
  firmExportSchema,
  READING_COLUMNS,
  type ExportedFirm,
  type ExportedReading,
  type ExportedSystem,
  type PlanningSettings,
  type ReportHead,
  type Session,
  type SystemDetail,
} from '@yarnix/core';
import { z } from 'zod';
import { csvOf } from '../../http/csv.ts';
import type { RequestContext } from '../../identity/context.ts';
import type { On } from '../../wiring.ts';
import { zipOf, type ArchiveFile } from './archive.ts';
import { firmStore } from './firm-store.ts';
import { planStore } from './plan-store.ts';
import { exchangeStore } from './store.ts';

/** What readings are asked for. */
export interface AskedReadings {
  readonly systemId?: string | undefined;
  readonly since?: string | undefined;
  readonly after?: string | undefined;
}

/** Systems whose readings are held in memory at a time: some ten thousand rows. */
const AT_A_TIME = 40;

/** What of a firm is asked for: one system, or those after one, so many at most. */
export interface AskedFirm {
  readonly systemId?: string | undefined;
  readonly after?: string | undefined;
  readonly count?: number | undefined;
}

// eslint-disable-next-line @typescript-eslint/require-await -- what an archive takes comes piece by piece
async function* pieceOf(bytes: Buffer): AsyncGenerator<Buffer> {
  yield bytes;
}

const rowOf = (reading: ExportedReading) => READING_COLUMNS.map(({ of }) => of(reading));

interface Needs {
  readonly systems: { detail(context: RequestContext, id: string): Promise<SystemDetail> };
  readonly session: { session(context: RequestContext): Promise<Session> };
  readonly planning: { settings(context: RequestContext): Promise<PlanningSettings> };
  readonly reports: { head(context: RequestContext): Promise<ReportHead> };
  readonly photos: {
    picture(
      context: RequestContext,
      id: string,
      which: 'bytes',
    ): Promise<{ readonly picture: Buffer; readonly mime: string }>;
  };
}

/** What leaves the firm in open formats. */
export function exchangeService({ db, now, needs }: On<Needs>) {
  const store = exchangeStore(db);
  const whole = firmStore(db);
  const plan = planStore(db);

  const system = async (context: RequestContext, id: string): Promise<ExportedSystem> => {
    // The time zone is the firm's, not the machine's.
    const { zone: _, ...detail } = await needs.systems.detail(context, id);
    return { ...detail, ...(await whole.behind(context, id)), ...(await plan.ofSystem(context, id)) };
  };

  /** The systems that are asked for, each whole, one at a time. */
  async function* systemsOf(context: RequestContext, { systemId, after, count = Infinity }: AskedFirm) {
    let ids =
      systemId === undefined ? await store.systemsAfter(context, after, Math.min(count, AT_A_TIME)) : [systemId];
    for (let left = count; ids.length > 0;) {
      for (const id of ids) yield await system(context, id);
      left -= ids.length;
      const isMore = systemId === undefined && left > 0;
      ids = isMore ? await store.systemsAfter(context, ids.at(-1), Math.min(left, AT_A_TIME)) : [];
    }
  }

  async function* firmJson(context: RequestContext, asked: AskedFirm): AsyncGenerator<string> {
    const { firm, refrigerants } = await needs.session.session(context);
    // Asked before the first piece: a system that is not there is told as that, and not as half a file.
    const systems = systemsOf(context, asked);
    let next = await systems.next();
    const head: ExportedFirm = {
      form: EXPORT_FORM,
      exportedAt: now().toISOString(),
      firm: { id: firm.id, name: firm.name },
      policy: firm.policy,
      people: await whole.people(context),
      meters: await whole.meters(context),
      checks: await whole.checks(context),
      refrigerants,
      planning: await needs.planning.settings(context),
      reportHead: await needs.reports.head(context),
      dayOrders: await plan.dayOrders(context),
      vans: await plan.vans(context),
    };
    yield `${JSON.stringify(head).slice(0, -1)},"systems":[`;
    for (let divider = '\n'; !next.done; divider = ',\n') {
      yield divider + JSON.stringify(next.value);
      next = await systems.next();
    }
    yield ']}\n';
  }

  async function* filesOf(context: RequestContext, asked: AskedFirm): AsyncGenerator<ArchiveFile> {
    yield { name: 'firm.json', pieces: firmJson(context, asked), isPacked: false };
    for await (const { photos } of systemsOf(context, asked)) {
      for (const { id } of photos) {
        const { picture, mime } = await needs.photos.picture(context, id, 'bytes');
        yield { name: `photos/${id}.${mime.split('/')[1]}`, pieces: pieceOf(picture), isPacked: true };
      }
    }
  }
  return {
    /** The JSON Schema of what `firmJson` writes. */
    exportSchema: (): object => z.toJSONSchema(firmExportSchema, { io: 'output', unrepresentable: 'any' }),

    /**
     * A firm as JSON in pieces: no more than one system is held. One system of it, or those after one, so many at most: each
     * such file is whole in itself, and together they are the firm.
     */
    firmJson: (context: RequestContext, asked: AskedFirm) => firmJson(context, asked),

    /** The same with its photos, as a ZIP. */
    archive: (context: RequestContext, asked: AskedFirm): AsyncGenerator<Buffer> => zipOf(filesOf(context, asked)),

    /** The last system of a part of the firm; null when nothing comes after it. */
    async lastOf(context: RequestContext, { after, count }: AskedFirm): Promise<string | null> {
      const ids = count === undefined ? [] : await store.systemsAfter(context, after, count + 1);
      return ids.length > (count ?? 0) ? (ids[(count ?? 0) - 1] ?? null) : null;
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
