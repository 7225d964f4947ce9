import { fleetPriorFrom, policyFrom, type FleetPrior, type Policy, type Session } from '@yarnix/core';
import type { Knex } from 'knex';
import { notFound } from '../../http/problems.ts';
import type { RequestContext } from '../../identity/context.ts';
import { refrigerantsService } from '../refrigerants/service.ts';
import { sessionStore, type FirmRow } from './store.ts';

/** What a firm judges by, as far as what is kept of it can be read. */
const judgingOf = ({ policy, prior }: FirmRow) => ({
  policy: policyFrom(policy),
  prior: prior === null ? null : fleetPriorFrom(prior).prior,
});

/** Who is working and by which policy. */
export function sessionService(db: Knex) {
  const store = sessionStore(db);
  return {
    async session(context: RequestContext, now: Date): Promise<Session> {
      const [firm, person, refrigerants] = await Promise.all([
        store.firm(context),
        store.person(context),
        refrigerantsService(db).all(context),
      ]);
      if (!firm || !person) throw notFound('firm');
      return { firm: { ...firm, ...judgingOf(firm) }, person, refrigerants, now: now.toISOString() };
    },
    /** What a firm judges by: its schools, and what its fleet has taught. */
    async judging(context: RequestContext): Promise<{ policy: Policy; prior: FleetPrior | undefined }> {
      const firm = await store.firm(context);
      if (!firm) throw notFound('firm');
      const { policy, prior } = judgingOf(firm);
      return { policy, prior: prior ?? undefined };
    },
  };
}
