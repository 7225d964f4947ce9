import type { Closing, NewVisit, VisitView } from '@yarnix/core';
import type { Knex } from 'knex';
import { notFound, ProblemError } from '../../http/problems.ts';
import type { RequestContext } from '../../identity/context.ts';
import { looseEndsService } from '../loose-ends/service.ts';
import { visitsStore, viewOfVisit } from './store.ts';

/** Rounds: starting, closing and listing them. Starting or closing the same one twice is doing it once. */
export function visitsService(db: Knex) {
  const store = visitsStore(db);

  async function visit(context: RequestContext, id: string): Promise<VisitView> {
    const row = await store.find(context, id);
    if (!row) throw notFound('round');
    return viewOfVisit(row);
  }

  async function start(context: RequestContext, id: string, asked: NewVisit): Promise<VisitView> {
    const system: unknown = await db('systems').where({ id: asked.systemId, firm_id: context.firmId }).first('id');
    if (!system) throw notFound('system');
    await store.insert(context, id, asked);
    const existing = await store.find(context, id);
    const isSame =
      existing?.system_id === asked.systemId && existing.started_at.getTime() === Date.parse(asked.startedAt);
    if (!isSame) throw new ProblemError('id-taken', 'Another round has this id.');
    return viewOfVisit(existing);
  }

  async function close(context: RequestContext, id: string, closing: Closing): Promise<VisitView> {
    const open = await visit(context, id);
    if (Date.parse(closing.closedAt) < Date.parse(open.startedAt)) {
      const detail = 'A round cannot close before it started.';
      throw new ProblemError('invalid-request', detail, [{ path: 'closedAt', detail }]);
    }
    if (open.closedAt === null) await looseEndsService(db).checkNoneLoose(context, id);
    await store.close(context, id, closing.closedAt, closing.note ?? null);
    return visit(context, id);
  }

  return {
    visit,
    start,
    close,
    ofSystem: store.ofSystem,
    page: async (context: RequestContext) => ({ open: await store.open(context), closed: await store.recent(context) }),
  };
}
