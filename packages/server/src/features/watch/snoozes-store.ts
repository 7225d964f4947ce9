import type { Knex } from 'knex';
import type { RequestContext } from '../../identity/context.ts';

export const snoozesStore = (db: Knex) => ({
  snooze: (context: RequestContext, id: string, until: string, reason: string, at: Date) =>
    db('snoozes')
      .insert({ component_id: id, firm_id: context.firmId, person_id: context.personId, until, reason, set_at: at })
      .onConflict('component_id')
      .merge(['until', 'reason', 'person_id', 'set_at']),
  wake: (context: RequestContext, id: string) =>
    db('snoozes').where({ firm_id: context.firmId, component_id: id }).delete(),
});
