import type { FleetPrior, Policy, Session } from '@yarnix/core';
import type { Knex } from 'knex';
import { notFound } from '../../http/problems.ts';
import type { RequestContext } from '../../identity/context.ts';
import { refrigerantsService } from '../refrigerants/service.ts';
import { sessionStore } from './store.ts';

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
      return { firm, person, refrigerants, now: now.toISOString() };
    },
    /** What a firm judges by: its schools, and what its fleet has taught. */
    async judging(context: RequestContext): Promise<{ policy: Policy; prior: FleetPrior | undefined }> {
      const firm = await store.firm(context);
      if (!firm) throw notFound('firm');
      return { policy: firm.policy, prior: firm.prior ?? undefined };
    },
  };
}
