import {
  profileFor,
  suggestMapping,
  whatsIn,
  type ImportChoice,
  type ImportDetail,
  type ImportRow,
  type ImportRowsQuery,
  type ImportState,
  type ImportView,
  type SheetMapping,
} from '@yarnix/core';
import { notFound, ProblemError } from '../../http/problems.ts';
import type { RequestContext } from '../../identity/context.ts';
import type { On } from '../../wiring.ts';
import { readSheet } from './read-file.ts';
import { importRowsStore, profilesStore } from './rows-store.ts';
import { importsStore, viewOfImport, type ImportLine } from './store.ts';

/** Rows that are looked at to see how a file is written, and of those so many are shown. */
const LOOKED_AT = 2000;
const SHOWN = 5;
const MOST_LISTED = 20;

const wrongState = ({ state }: Pick<ImportLine, 'state'>): ProblemError =>
  new ProblemError('import-state', `It is ${state.replace('-', ' ')} now; that has to wait, or is done.`);

/** Looking at imports, and bringing a file. */
function lookingAt({ db, now }: Pick<On, 'db' | 'now'>) {
  const store = importsStore(db);

  async function one(context: RequestContext, id: string): Promise<ImportLine> {
    const row = await store.find(context, id);
    if (!row) throw notFound('import');
    return row;
  }
  const view = async (context: RequestContext, id: string): Promise<ImportView> => viewOfImport(await one(context, id));

  async function detail(context: RequestContext, id: string): Promise<ImportDetail> {
    const row = await one(context, id);
    const { headers, sample, whats, mapping, profile } = row;
    return { ...viewOfImport(row), headers, sample, whats, mapping, profile };
  }

  /** Keeps a file and makes out how it is to be read; the same file under the same id again is the same. */
  async function bring(
    context: RequestContext,
    id: string,
    { name, zone }: Brought,
    file: Buffer,
  ): Promise<ImportDetail> {
    const { headers, rows } = readSheet(file, LOOKED_AT);
    const profile = profileFor(headers, await profilesStore(db).profiles(context));
    const mapping = suggestMapping({ headers, rows }, zone, profile);
    const sample = rows.slice(0, SHOWN).map((cells) => [...cells]);
    const whats = whatsIn(mapping.columns, rows);
    const row = { id, name, file, headers: [...headers], sample, whats, mapping, profile: profile?.name ?? null };
    const isNew = await store.insert(context, row, now());
    if (!isNew && !(await store.file(context, id))?.equals(file))
      throw new ProblemError('id-taken', 'Another import has this id.');
    return detail(context, id);
  }

  const list = async (context: RequestContext) => ({
    imports: (await store.latest(context, MOST_LISTED)).map(viewOfImport),
  });
  return { one, view, detail, bring, list };
}

interface Brought {
  readonly name: string;
  readonly zone: string;
}

const IDLE = ['to-map', 'checked', 'undone', 'failed'] as const;
const AFRESH = { systems: 0, done: 0, total: 0, stopping: false, error: null, ended_at: null, beat_at: null };
const STARTS = {
  import: { from: ['checked'], to: { state: 'importing', done_up_to: 0, judged_up_to: null, readings: 0, systems: 0 } },
  undo: { from: ['imported'], to: { state: 'undoing', judged_up_to: null, done_up_to: 0 } },
} as const;

/**
 * A firm's past from spreadsheets: a file is brought, its columns are named, its rows are checked; then they come in, all or
 * some, and can be taken back.
 */
export function importsService({ db, now, jobs, transact }: On) {
  const { one, view, detail, bring, list } = lookingAt({ db, now });

  /** Starts work on an import, unless it is in none of the states it can start from. */
  async function start(
    context: RequestContext,
    id: string,
    from: readonly ImportState[],
    to: object,
  ): Promise<ImportView> {
    const row = await one(context, id);
    await jobs.boss();
    await transact(async ({ db: held }) => {
      if (!(await importsStore(held).move(context, id, from, { ...AFRESH, ...to }))) throw wrongState(row);
      await jobs.add('imports', held, id);
    });
    return view(context, id);
  }

  return {
    detail,
    bring,
    list,

    /** Takes how its columns are to be read, and has every row checked by that. */
    async map(context: RequestContext, id: string, mapping: SheetMapping, profile?: string): Promise<ImportView> {
      const { headers } = await one(context, id);
      if (mapping.columns.length !== headers.length) {
        const detail = `It has ${headers.length} columns.`;
        throw new ProblemError('invalid-request', detail, [{ path: 'mapping.columns', detail }]);
      }
      const asked = {
        state: 'checking',
        outcomes: null,
        chosen: 0,
        mapping: JSON.stringify(mapping),
        ...(profile === undefined ? {} : { profile }),
      };
      const started = await start(context, id, IDLE, asked);
      if (profile !== undefined)
        await profilesStore(db).keepProfile(context, { name: profile, headers, mapping }, now());
      return started;
    },

    async rows(context: RequestContext, id: string, query: ImportRowsQuery): Promise<{ rows: ImportRow[] }> {
      const { state } = await one(context, id);
      return { rows: state === 'checking' ? [] : await importRowsStore(db).rows(id, query) };
    },

    async choose(context: RequestContext, id: string, choice: ImportChoice): Promise<ImportView> {
      const row = await one(context, id);
      await transact(async ({ db: held }) => {
        // Held as it is: rows that are on their way in are chosen no more.
        if (!(await importsStore(held).move(context, id, ['checked'], { state: 'checked' }))) throw wrongState(row);
        const chosen = await importRowsStore(held).choose(id, choice);
        await importsStore(held).move(context, id, ['checked'], { chosen });
      });
      return view(context, id);
    },

    async wish(context: RequestContext, id: string, wish: 'import' | 'stop' | 'undo'): Promise<ImportView> {
      if (wish !== 'stop') return start(context, id, STARTS[wish].from, STARTS[wish].to);
      const row = await one(context, id);
      if (!(await importsStore(db).move(context, id, ['checking', 'importing'], { stopping: true })))
        throw wrongState(row);
      return view(context, id);
    },

    /** Forgets an import of which no reading is there. */
    async discard(context: RequestContext, id: string): Promise<{ imports: ImportView[] }> {
      const row = await one(context, id);
      await transact(async ({ db: held }) => {
        const isIdle = await importsStore(held).move(context, id, IDLE, { stopping: false });
        const rests: unknown = isIdle && (await held('readings').where({ import_id: id }).first('id'));
        if (!isIdle || rests) throw wrongState(row);
        // What an undo had to leave there is from now on as if somebody had entered it.
        for (const table of ['systems', 'visits', 'customers'])
          await held(table).where({ import_id: id }).update({ import_id: null });
        await importsStore(held).discard(context, id);
      });
      return list(context);
    },
  };
}
