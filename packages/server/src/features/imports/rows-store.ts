import type { ImportChoice, ImportRow, ImportRowsQuery, SheetProfile } from '@yarnix/core';
import type { Knex } from 'knex';
import type { RequestContext } from '../../identity/context.ts';

/** Rows of an import that the firm is known to own, with what would become of each. */
export const importRowsStore = (db: Knex) => ({
  async rows(importId: string, { outcome, after, limit }: ImportRowsQuery): Promise<ImportRow[]> {
    return db('import_rows')
      .where({ import_id: importId })
      .where('line', '>', after)
      .modify((some) => {
        if (outcome) void some.where({ outcome });
      })
      .orderBy('line')
      .limit(limit)
      .select<ImportRow[]>(
        'line',
        'outcome',
        'chosen',
        'cells',
        'why',
        db.raw(`coalesce(jsonb_array_length(prepared->'readings'), 0)::int as readings`),
      );
  },

  /** What cannot come in is never chosen. Tells how many rows are by now. */
  async choose(importId: string, choice: ImportChoice): Promise<number> {
    const rows = () => db('import_rows').where({ import_id: importId });
    await rows()
      .whereNot({ outcome: 'refused' })
      .modify((some) => {
        if ('lines' in choice) void some.whereIn('line', choice.lines);
        else void some.where({ outcome: choice.outcome });
      })
      .update({ chosen: choice.chosen });
    const [counted] = await rows().where({ chosen: true }).count<{ count: string }[]>('* as count');
    return Number(counted?.count ?? 0);
  },
});

/** How files of a firm are read, by name. */
export const profilesStore = (db: Knex) => ({
  profiles: (context: RequestContext): Promise<SheetProfile[]> =>
    db('import_profiles')
      .where({ firm_id: context.firmId })
      .orderBy('kept_at', 'desc')
      .select<SheetProfile[]>('name', 'headers', 'mapping'),

  keepProfile: (context: RequestContext, profile: SheetProfile, at: Date) =>
    db('import_profiles')
      .insert({
        firm_id: context.firmId,
        name: profile.name,
        headers: [...profile.headers],
        mapping: JSON.stringify(profile.mapping),
        kept_at: at,
      })
      .onConflict(['firm_id', 'name'])
      .merge(),
});
