import type { Policy, Session } from '@yarnix/core';
import type { Knex } from 'knex';
import type { RequestContext } from '../../identity/context.ts';

export interface FirmRow {
  id: string;
  name: string;
  policy: Policy;
  prior: Session['firm']['prior'];
}

export interface PersonRow {
  id: string;
  name: string;
  initials: string;
}

export const sessionStore = (db: Knex) => ({
  firm: (context: RequestContext) =>
    db<FirmRow>('firms').where({ id: context.firmId }).first('id', 'name', 'policy', 'prior'),
  person: (context: RequestContext) =>
    db<PersonRow & { firm_id: string }>('people')
      .where({ id: context.personId, firm_id: context.firmId })
      .first('id', 'name', 'initials'),
});
