import type { Knex } from 'knex';
import type { RequestContext } from '../../identity/context.ts';

export interface LinkRow {
  readonly firm_id: string;
  readonly visit_id: string;
  readonly person_id: string;
  readonly made_at: Date;
}

/** Links to reports by their digest, and what stands at their head. */
export const reportsStore = (db: Knex) => ({
  async head(context: RequestContext): Promise<{ name: string; report_head: unknown }> {
    const row = await db('firms')
      .where({ id: context.firmId })
      .first<{ name: string; report_head: unknown } | undefined>('name', 'report_head');
    return row ?? { name: '', report_head: null };
  },
  keepHead: (context: RequestContext, head: object) =>
    db('firms')
      .where({ id: context.firmId })
      .update({ report_head: JSON.stringify(head) }),
  systemOf: async (context: RequestContext, visitId: string): Promise<string | undefined> => {
    const row = await db('visits')
      .where({ firm_id: context.firmId, id: visitId })
      .first<{ system_id: string } | undefined>('system_id');
    return row?.system_id;
  },
  link: (context: RequestContext, visitId: string) =>
    db('report_links').where({ firm_id: context.firmId, visit_id: visitId }).first<LinkRow | undefined>('*'),
  whose: (digest: string) => db('report_links').where({ digest }).first<LinkRow | undefined>('*'),
  async keepLink(context: RequestContext, visitId: string, digest: string, at: Date): Promise<void> {
    const row = { digest, firm_id: context.firmId, visit_id: visitId, person_id: context.personId, made_at: at };
    await db('report_links').insert(row).onConflict('visit_id').merge();
  },
  revoke: (context: RequestContext, visitId: string) =>
    db('report_links').where({ firm_id: context.firmId, visit_id: visitId }).delete(),
});
