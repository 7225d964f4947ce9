import type { ImportState, ImportView, RowOutcome, SheetMapping } from '@yarnix/core';
import type { Knex } from 'knex';
import type { RequestContext } from '../../identity/context.ts';

export interface ImportLine {
  id: string;
  firm_id: string;
  person_id: string;
  name: string;
  headers: string[];
  /** Its first rows. */
  sample: string[][];
  whats: string[];
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
  /** How many rows there are of each outcome, once they are checked. */
  outcomes: Record<RowOutcome, number> | null;
  chosen: number;
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
  'sample',
  'whats',
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
  'outcomes',
  'chosen',
  'readings',
  'systems',
  'error',
] as const;

export const viewOfImport = (row: ImportLine): ImportView => ({
  id: row.id,
  name: row.name,
  askedAt: row.asked_at.toISOString(),
  endedAt: row.ended_at?.toISOString() ?? null,
  state: row.state,
  stopping: row.stopping,
  done: row.done,
  total: row.total,
  rows: row.outcomes === null ? 0 : row.outcomes.comes + row.outcomes.questioned + row.outcomes.refused,
  outcomes: row.outcomes,
  chosen: row.chosen,
  readings: row.readings,
  systems: row.systems,
  error: row.error,
});

/** States in which work is under way. */
export const IMPORT_WORKS: readonly ImportState[] = ['checking', 'importing', 'undoing'];

export const importsStore = (db: Knex) => {
  const own = (context: RequestContext) => db<ImportLine>('imports').where({ firm_id: context.firmId });
  return {
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
      row: Pick<ImportLine, 'id' | 'name' | 'headers' | 'sample' | 'whats' | 'mapping' | 'profile'> & { file: Buffer },
      at: Date,
    ) {
      const made = await db('imports')
        .insert({
          ...row,
          firm_id: context.firmId,
          person_id: context.personId,
          mapping: JSON.stringify(row.mapping),
          sample: JSON.stringify(row.sample),
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
