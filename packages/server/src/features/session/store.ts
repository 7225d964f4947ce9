import type { Knex } from 'knex';
import type { RequestContext } from '../../identity/context.ts';

export interface FirmRow {
  id: string;
  name: string;
  zone: string;
  /** As kept: to be read by policyFrom and fleetPriorFrom. */
  policy: unknown;
  prior: unknown;
}

export interface PersonRow {
  id: string;
  name: string;
  initials: string;
}

export const sessionStore = (db: Knex) => ({
  firm: (context: RequestContext) =>
    db<FirmRow>('firms').where({ id: context.firmId }).first('id', 'name', 'zone', 'policy', 'prior'),
  /** Tells whether what a firm judges by has changed, without fetching it. */
  stamp: async (context: RequestContext): Promise<string | undefined> =>
    (
      await db('firms')
        .where({ id: context.firmId })
        .first<{ stamp: string } | undefined>(db.raw("md5(policy::text || coalesce(prior::text, '')) as stamp"))
    )?.stamp,
  person: (context: RequestContext) =>
    db<PersonRow & { firm_id: string }>('people')
      .where({ id: context.personId, firm_id: context.firmId })
      .first('id', 'name', 'initials'),
});
