import type { MeterInUse, NewMeter, NewMeterCheck } from '@yarnix/core';
import type { Knex } from 'knex';
import type { RequestContext } from '../../identity/context.ts';

export interface MeterRow {
  id: string;
  kind: MeterInUse['kind'];
  name: string;
  person_id: string | null;
  since: string;
  until: string | null;
  checked_at: Date | null;
}

export interface CheckRow {
  id: string;
  meter_id: string;
  quantity: NewMeterCheck['quantity'];
  against: string;
  known: number;
  known_within: number;
  shown: number;
  taken_at: Date;
  person_initials: string;
}

const CHECKED_AT = '(select max(c.taken_at) from meter_checks c where c.meter_id = m.id) as checked_at';

export const metersStore = (db: Knex) => {
  const meters = (context: RequestContext) =>
    db('meters as m')
      .where('m.firm_id', context.firmId)
      .select<MeterRow[]>('m.id', 'm.kind', 'm.name', 'm.person_id', 'm.since', 'm.until', db.raw(CHECKED_AT));
  const checks = (context: RequestContext) =>
    db('meter_checks as c')
      .join('people as p', 'p.id', 'c.person_id')
      .where('c.firm_id', context.firmId)
      .select<CheckRow[]>('c.*', 'p.initials as person_initials');
  return {
    all: (context: RequestContext): Promise<MeterRow[]> => meters(context).orderBy(['m.kind', 'm.since', 'm.id']),
    find: async (context: RequestContext, id: string): Promise<MeterRow | undefined> =>
      (await meters(context).where('m.id', id))[0],
    people: (context: RequestContext): Promise<{ id: string; name: string; initials: string }[]> =>
      db('people').where({ firm_id: context.firmId }).orderBy('position').select('id', 'name', 'initials'),
    checks: (context: RequestContext): Promise<CheckRow[]> => checks(context).orderBy(['c.taken_at', 'c.id']),
    /** The latest check of each meter. */
    lastChecks: (context: RequestContext): Promise<CheckRow[]> =>
      checks(context)
        .distinctOn('c.meter_id')
        .orderBy([{ column: 'c.meter_id' }, { column: 'c.taken_at', order: 'desc' }]),
    check: async (context: RequestContext, id: string): Promise<CheckRow | undefined> =>
      (await checks(context).where('c.id', id))[0],

    /** Keeps an instrument as it now is; false when the id is another firm's. */
    async put(context: RequestContext, id: string, { kind, name, personId, since, until }: NewMeter): Promise<boolean> {
      const row = { kind, name, person_id: personId, since, until };
      await db('meters')
        .insert({ id, firm_id: context.firmId, ...row })
        .onConflict('id')
        .ignore();
      return (await db('meters').where({ firm_id: context.firmId, id }).update(row)) === 1;
    },

    /** Keeps a check, once. */
    async addCheck(context: RequestContext, id: string, meterId: string, check: NewMeterCheck): Promise<void> {
      await db('meter_checks')
        .insert({
          id,
          firm_id: context.firmId,
          meter_id: meterId,
          person_id: context.personId,
          quantity: check.quantity,
          against: check.against,
          known: check.known,
          known_within: check.knownWithin,
          shown: check.shown,
          taken_at: check.takenAt,
        })
        .onConflict()
        .ignore();
    },

    /** What a firm's fleet has taught, as kept, and held until this transaction ends. */
    heldPrior: async (context: RequestContext): Promise<unknown> =>
      (await db('firms').where({ id: context.firmId }).forUpdate().first<{ prior: unknown }>('prior')).prior,
    keepPrior: (context: RequestContext, prior: object): Promise<number> =>
      db('firms')
        .where({ id: context.firmId })
        .update({ prior: JSON.stringify(prior) }),
  };
};
