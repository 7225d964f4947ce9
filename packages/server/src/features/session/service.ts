import {
  fleetPriorFrom,
  policyFrom,
  type FleetPrior,
  type MeterInUse,
  type Policy,
  type RefrigerantView,
  type Session,
} from '@yarnix/core';
import { LRUCache } from 'lru-cache';
import { notFound } from '../../http/problems.ts';
import { together } from '../../database/together.ts';
import type { RequestContext } from '../../identity/context.ts';
import type { On } from '../../wiring.ts';
import { sessionStore, type FirmRow } from './store.ts';

interface Needs {
  readonly refrigerants: { all(context: RequestContext): Promise<RefrigerantView[]> };
  readonly meters: { inUse(context: RequestContext): Promise<MeterInUse[]> };
}

interface Judging {
  readonly policy: Policy;
  readonly prior: FleetPrior | undefined;
  readonly stamp: string;
}

/** Firms whose policy and prior are held in memory: a prior is up to a megabyte. */
const MOST_FIRMS = 100;

/** What firms judge by, read once for as long as its stamp stays the same: every reading asks for it. */
const read = new LRUCache<string, Judging>({ max: MOST_FIRMS });

/** What a firm judges by, as far as what is kept of it can be read. */
const judgingOf = ({ policy, prior }: FirmRow) => ({
  policy: policyFrom(policy),
  prior: prior === null ? null : fleetPriorFrom(prior).prior,
});

/** Who is working and by which policy. */
export function sessionService({ db, now, needs }: On<Needs>) {
  const store = sessionStore(db);
  return {
    async session(context: RequestContext): Promise<Session> {
      const [firm, person, refrigerants, meters] = await together(
        db,
        () => store.firm(context),
        () => store.person(context),
        () => needs.refrigerants.all(context),
        () => needs.meters.inUse(context),
      );
      if (!firm || !person) throw notFound('firm');
      return { firm: { ...firm, ...judgingOf(firm) }, person, refrigerants, meters, now: now().toISOString() };
    },
    /** What a firm judges by: its schools, what its fleet has taught, and a stamp that changes when they do. */
    async judging(context: RequestContext): Promise<Judging> {
      const stamp = await store.stamp(context);
      const known = read.get(context.firmId);
      if (known && known.stamp === stamp) return known;
      const firm = await store.firm(context);
      if (!firm || stamp === undefined) throw notFound('firm');
      const { policy, prior } = judgingOf(firm);
      const judging = { policy, prior: prior ?? undefined, stamp };
      read.set(context.firmId, judging);
      return judging;
    },
  };
}
