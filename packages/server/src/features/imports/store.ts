import type { ImportState, ImportView, RowOutcome, SheetMapping } from '@yarnix/core';
import type { Knex } from 'knex';
import type { RequestContext } from '../../identity/context.ts';

export interface ImportLine {
  id: string;
  firm_id: string;
  person_id: string;
  name: string;
  headers: string[];
  mapping: SheetMapping;
  profile: string | null;
  state: ImportState;
  stopping: boolean;
  asked_at: Date;
  ended_at: Date | null;
  done: number;
  total: number;
  done_up_to: number;
  judged_up_to: string | null;
  touched: string[];
  readings: number;
  systems: number;
  error: string | null;
}

/** All of an import but its file. */
export const IMPORT_COLUMNS = [
  'id',
  'firm_id',
  'person_id',
  'name',
  'headers',
  'mapping',
  'profile',
  'state',
  'stopping',
  'asked_at',
  'ended_at',
  'done',
  'total',
  'done_up_to',
  'judged_up_to',
  'touched',
  'readings',
  'systems',
  'error',
] as const;

interface Counted {
  outcome: RowOutcome;
  rows: number;
  chosen: number;
}

function viewOf(row: ImportLine, counted: readonly Counted[]): ImportView {
  const of = (outcome: RowOutcome) => counted.find((c) => c.outcome === outcome)?.rows ?? 0;
  const isChecked = counted.length > 0 && row.state !== 'checking';
  return {
    id: row.id,
    name: row.name,
    askedAt: row.asked_at.toISOString(),
    endedAt: row.ended_at?.toISOString() ?? null,
    state: row.state,
    stopping: row.stopping,
    done: row.done,
    total: row.total,
    rows: counted.reduce((sum, c) => sum + c.rows, 0),
    outcomes: isChecked ? { comes: of('comes'), questioned: of('questioned'), refused: of('refused') } : null,
    chosen: counted.reduce((sum, c) => sum + c.chosen, 0),
    readings: row.readings,
    systems: row.systems,
    error: row.error,
  };
}

/** States in which work is under way. */
export const IMPORT_WORKS: readonly ImportState[] = ['checking', 'importing', 'undoing'];

export const importsStore = (db: Knex) => {
  const own = (context: RequestContext) => db<ImportLine>('imports').where({ firm_id: context.firmId });
  const counted = (ids: readonly string[]): Promise<(Counted & { import_id: string })[]> =>
    db('import_rows')
      .whereIn('import_id', [...ids])
      .groupBy('import_id', 'outcome')
      .select(
        'import_id',
        'outcome',
        db.raw('count(*)::int as rows'),
        db.raw('(count(*) filter (where chosen))::int as chosen'),
      );
  const views = async (rows: readonly ImportLine[]): Promise<ImportView[]> => {
    const counts = await counted(rows.map(({ id }) => id));
    return rows.map((row) =>
      viewOf(
        row,
        counts.filter((c) => c.import_id === row.id),
      ),
    );
  };
  return {
    views,
    find: (context: RequestContext, id: string): Promise<ImportLine | undefined> =>
      own(context)
        .where({ id })
        .first<ImportLine | undefined>(...IMPORT_COLUMNS),
    file: async (context: RequestContext, id: string): Promise<Buffer | undefined> =>
      (await own(context).where({ id }).first<{ file: Buffer } | undefined>('file'))?.file,
    latest: (context: RequestContext, count: number): Promise<ImportLine[]> =>
      own(context)
        .orderBy('asked_at', 'desc')
        .limit(count)
        .select<ImportLine[]>(...IMPORT_COLUMNS),

    /** Keeps a file with how it is to be read; false when the id is in use. */
    async insert(
      context: RequestContext,
      row: Pick<ImportLine, 'id' | 'name' | 'headers' | 'mapping' | 'profile'> & { file: Buffer },
      at: Date,
    ) {
      const made = await db('imports')
        .insert({
          ...row,
          firm_id: context.firmId,
          person_id: context.personId,
          mapping: JSON.stringify(row.mapping),
          state: 'to-map',
          asked_at: at,
        })
        .onConflict('id')
        .ignore()
        .returning<{ id: string }[]>('id');
      return made.length === 1;
    },

    /** Moves on from one of some states; false when it is in none of them by now. */
    async move(
      context: RequestContext,
      id: string,
      from: readonly ImportState[],
      to: Record<string, unknown>,
    ): Promise<boolean> {
      return (
        (await own(context)
          .where({ id })
          .whereIn('state', [...from])
          .update(to)) === 1
      );
    },

    discard: (context: RequestContext, id: string): Promise<number> => own(context).where({ id }).delete(),
  };
};
