import type { Policy, Preview, WouldChange } from '@yarnix/core';
import type { Knex } from 'knex';
import type { RequestContext } from '../../identity/context.ts';

export interface ChangeRow {
  id: string;
  firm_id: string;
  person_id: string;
  revision: number;
  before: unknown;
  after: unknown;
  undoes: string | null;
  at: Date;
}

export interface PreviewRow {
  id: string;
  firm_id: string;
  policy: unknown;
  state: Preview['state'];
  done: number;
  total: number;
  parts: number;
  changing: number;
  /** Without the addresses, which may change. */
  changes: Omit<WouldChange, 'address'>[];
  done_up_to: string | null;
  asked_at: Date;
  beat_at: Date | null;
}

/** Changes told, the newest first. */
const MOST_CHANGES = 50;

export const schoolsStore = (db: Knex) => ({
  current: (context: RequestContext) =>
    db('firms')
      .where({ id: context.firmId })
      .first<{ policy: unknown; policy_revision: number } | undefined>('policy', 'policy_revision'),
  changes: (context: RequestContext) =>
    db<ChangeRow>('policy_changes')
      .join('people', 'people.id', 'policy_changes.person_id')
      .where('policy_changes.firm_id', context.firmId)
      .orderBy('revision', 'desc')
      .limit(MOST_CHANGES)
      .select<(ChangeRow & { by: string })[]>('policy_changes.*', 'people.name as by'),
  change: (context: RequestContext, id: string) =>
    db<ChangeRow>('policy_changes').where({ firm_id: context.firmId, id }).first(),
  /** Puts other schools in place of those of a revision. Tells whether that one still stood. */
  async replace(context: RequestContext, revision: number, policy: Policy): Promise<boolean> {
    const changed = await db('firms')
      .where({ id: context.firmId, policy_revision: revision })
      .update({ policy: JSON.stringify(policy), policy_revision: revision + 1 });
    return changed === 1;
  },
  note: (row: Omit<ChangeRow, 'before' | 'after'> & { before: Policy; after: Policy }) =>
    db('policy_changes').insert({ ...row, before: JSON.stringify(row.before), after: JSON.stringify(row.after) }),
  preview: (context: RequestContext, id: string) =>
    db<PreviewRow>('policy_previews').where({ firm_id: context.firmId, id }).first(),
  async askPreview(context: RequestContext, id: string, policy: Policy, at: Date): Promise<void> {
    await db('policy_previews').where({ firm_id: context.firmId }).delete();
    await db('policy_previews').insert({
      id,
      firm_id: context.firmId,
      policy: JSON.stringify(policy),
      state: 'queued',
      asked_at: at,
    });
  },
  addressesOf: async (context: RequestContext, ids: readonly string[]): Promise<ReadonlyMap<string, string>> => {
    const rows = await db('systems')
      .where({ firm_id: context.firmId })
      .whereIn('id', [...ids])
      .select<{ id: string; address: string }[]>('id', 'address');
    return new Map(rows.map((row) => [row.id, row.address]));
  },
});
