import type { NewVisit, Plate, VisitView } from '@yarnix/core';
import { notFound, ProblemError } from '../../http/problems.ts';
import { checkNotAhead, checkNotBeforeYear, checkNotLongAgo } from '../../http/times.ts';
import type { RequestContext } from '../../identity/context.ts';
import type { On } from '../../wiring.ts';
import { visitsStore, viewOfVisit } from './store.ts';

interface Needs {
  /** Throws not-found for what is not a system of the firm. */
  readonly systems: { facts(context: RequestContext, id: string): Promise<{ readonly plate: Plate }> };
}

/** Rounds: starting, finding and listing them. Starting the same one twice is starting it once. */
export function visitsService({ db, now, needs }: On<Needs>) {
  const store = visitsStore(db);

  async function visit(context: RequestContext, id: string): Promise<VisitView> {
    const row = await store.find(context, id);
    if (!row) throw notFound('round');
    return viewOfVisit(row);
  }

  /** The round, if it is open and of that system: what is done to a system is done on a round of its own. */
  async function open(context: RequestContext, id: string, systemId: string): Promise<VisitView> {
    const found = await visit(context, id);
    if (found.systemId !== systemId) {
      const detail = 'That round is of another system.';
      throw new ProblemError('invalid-request', detail, [{ path: 'visitId', detail }]);
    }
    if (found.closedAt !== null)
      throw new ProblemError('visit-closed', 'This round is closed; it takes corrections only.');
    return found;
  }

  async function start(context: RequestContext, id: string, asked: NewVisit): Promise<VisitView> {
    const { plate } = await needs.systems.facts(context, asked.systemId);
    const before = await store.find(context, id);
    if (!before) {
      checkNotAhead('startedAt', asked.startedAt, now());
      checkNotLongAgo('startedAt', asked.startedAt, now());
      checkNotBeforeYear('startedAt', asked.startedAt, plate.year);
      await store.insert(context, id, asked);
    }
    const kept = before ?? (await store.find(context, id));
    const isSame =
      kept?.system_id === asked.systemId &&
      kept.started_at.toISOString() === asked.startedAt &&
      kept.season === (asked.season ?? null);
    if (!isSame) throw new ProblemError('id-taken', 'Another round has this id.');
    return viewOfVisit(kept);
  }

  return {
    visit,
    open,
    start,
    ofSystem: store.ofSystem,
    underWay: (context: RequestContext, systems: readonly string[]) => store.underWay(context, systems),
    page: (context: RequestContext) => store.page(context),
  };
}
