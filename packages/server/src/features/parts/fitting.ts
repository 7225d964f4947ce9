import {
  dayOf,
  isoOf,
  type Day,
  type PartSchool,
  type ComponentView,
  type FittedPart,
  type Reading,
  type VisitView,
} from '@yarnix/core';
import { ProblemError } from '../../http/problems.ts';
import { checkDayNotAhead, checkNotBeforeYear } from '../../http/times.ts';
import type { RequestContext } from '../../identity/context.ts';
import type { Writing } from '../../wiring.ts';
import type { PartInSystem, partsService } from './service.ts';

interface Needs {
  readonly planning: { dayOf(context: RequestContext, moment: Date): Promise<Day> };
  readonly parts: Pick<ReturnType<typeof partsService>, 'replace' | 'judgeBy' | 'one' | 'refresh'>;
  readonly vans: { used(context: RequestContext, part: ComponentView): Promise<unknown> };
  readonly visits: { open(context: RequestContext, id: string, systemId: string): Promise<VisitView> };
  readonly readings: {
    kept(context: RequestContext, systemId: string): Promise<Reading[]>;
    lastOf(context: RequestContext, componentId: string): Promise<Date | null>;
  };
}

/** Fitting a part on the spot: the old life ends, a new one begins, and the system is judged anew, all or nothing; and by which school a part is judged. */
export function fittingService({ now, transact }: Writing<Needs>) {
  /** A part goes in on an open round of its own system, today or before, and not before the old one was last read. */
  async function check(needs: Needs, context: RequestContext, fitted: FittedPart, old: PartInSystem): Promise<void> {
    checkDayNotAhead('fittedOn', fitted.fittedOn, now());
    checkNotBeforeYear('fittedOn', fitted.fittedOn, old.system_plate.year);
    if (fitted.visitId !== undefined) await needs.visits.open(context, fitted.visitId, old.system_id);
    const last = await needs.readings.lastOf(context, old.id);
    const lastDay = last && (await needs.planning.dayOf(context, last));
    if (lastDay === null || dayOf(fitted.fittedOn) >= lastDay) return;
    const detail = `The old part was still read on ${isoOf(lastDay)}; it cannot have been replaced before.`;
    throw new ProblemError('invalid-request', detail, [{ path: 'fittedOn', detail }]);
  }
  return {
    fit: (context: RequestContext, id: string, fitted: FittedPart): Promise<ComponentView> =>
      transact(async ({ needs }) => {
        const { parts, readings, vans } = needs;
        const { part, isNew, systemId } = await parts.replace(context, id, fitted, (old) =>
          check(needs, context, fitted, old),
        );
        if (!isNew) return part;
        await vans.used(context, part);
        await parts.refresh(context, systemId, await readings.kept(context, systemId), now());
        return part;
      }),
    /** Has a part judged by one school of its own, and with it its system. */
    judgeBy: (context: RequestContext, id: string, school: PartSchool): Promise<ComponentView> =>
      transact(async ({ needs: { parts, readings } }) => {
        const systemId = await parts.judgeBy(context, id, school);
        await parts.refresh(context, systemId, await readings.kept(context, systemId), now());
        return parts.one(context, id);
      }),
  };
}
