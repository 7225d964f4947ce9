import {
  dayIn,
  happened,
  isoOf,
  isSettingMoved,
  MOVED_SETTINGS,
  type EventView,
  type NewEvent,
  type Reading,
  type SystemEvent,
  type VisitView,
} from '@yarnix/core';
import { isDeepStrictEqual } from 'node:util';
import { holdSystem } from '../../database/hold.ts';
import { ProblemError } from '../../http/problems.ts';
import { checkDayNotAhead, checkNotBefore } from '../../http/times.ts';
import type { RequestContext } from '../../identity/context.ts';
import type { On, Within } from '../../wiring.ts';
import type { systemsService } from '../systems/service.ts';
import { eventsStore } from './store.ts';

interface Needs {
  readonly planning: { zone(context: RequestContext): Promise<string> };
  readonly systems: Pick<ReturnType<typeof systemsService>, 'noteSetting'>;
  readonly visits: {
    visit(context: RequestContext, id: string): Promise<VisitView>;
    open(context: RequestContext, id: string, systemId: string): Promise<VisitView>;
  };
  readonly readings: { kept(context: RequestContext, systemId: string): Promise<Reading[]> };
  readonly parts: {
    refresh(context: RequestContext, systemId: string, readings: readonly Reading[], now: Date): Promise<void>;
  };
}

const viewOf = (id: string, { visitId, kind, on, note, change }: NewEvent): EventView => ({
  id,
  visitId,
  kind,
  on,
  note,
  change,
});

/** What was done to systems, besides parts replaced: it moves readings without wear. */
export function eventsService({ db, now, needs, transact }: On<Needs>) {
  const store = eventsStore(db);

  /** Whether a repair is kept just so already. Throws id-taken when another visit's, or another kind of repair, has the id. */
  async function isKept({ db: held }: Within, context: RequestContext, id: string, event: NewEvent): Promise<boolean> {
    const kept = await eventsStore(held).find(context, id);
    if (!kept) return false;
    if (kept.visitId !== event.visitId || kept.kind !== event.kind)
      throw new ProblemError('id-taken', 'Another repair has this id.');
    return isDeepStrictEqual(kept, { id, ...event });
  }

  /** The plate record follows a setting that is moved, and goes back with it when it is put back. */
  async function moveSetting(
    { needs: { systems } }: Within<Needs>,
    context: RequestContext,
    systemId: string,
    event: NewEvent,
  ) {
    if (!event.change || !isSettingMoved(event.kind)) return;
    const { field } = MOVED_SETTINGS[event.kind];
    await systems.noteSetting(context, systemId, { ...event.change, field, isBack: event.withdrawn });
  }

  return {
    ofSystem: (context: RequestContext, systemId: string): Promise<EventView[]> => store.ofSystem(context, systemId),
    /** As judging sees them. */
    async happenedTo(context: RequestContext, systemId: string): Promise<SystemEvent[]> {
      const zone = await needs.planning.zone(context);
      return (await store.ofSystem(context, systemId)).map((event) => happened(event, zone));
    },
    /** Notes a repair: the system is judged anew with it, all or nothing. */
    note: (context: RequestContext, id: string, event: NewEvent): Promise<EventView> =>
      transact(async (within) => {
        const { visits, readings, parts } = within.needs;
        const { systemId } = await visits.visit(context, event.visitId);
        await holdSystem(within.db, context, systemId);
        if (await isKept(within, context, id, event)) return viewOf(id, event);
        const { startedAt } = await visits.open(context, event.visitId, systemId);
        const began = isoOf(dayIn(await within.needs.planning.zone(context), startedAt));
        checkNotBefore('on', event.on, began, 'the day this round began');
        checkDayNotAhead('on', event.on, now());
        if (!(await eventsStore(within.db).put(context, id, systemId, event)))
          throw new ProblemError('id-taken', 'Another repair has this id.');
        await moveSetting(within, context, systemId, event);
        await parts.refresh(context, systemId, await readings.kept(context, systemId), now());
        return viewOf(id, event);
      }),
  };
}
