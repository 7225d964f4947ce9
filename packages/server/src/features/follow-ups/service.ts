import {
  dayOf,
  placesOn,
  type Day,
  type FollowUpView,
  type NewFollowUp,
  type NewReading,
  type VisitView,
} from '@yarnix/core';
import { isDeepStrictEqual } from 'node:util';
import { holdSystem } from '../../database/hold.ts';
import { notFound, ProblemError } from '../../http/problems.ts';
import { checkNotAhead, checkNotBefore } from '../../http/times.ts';
import type { RequestContext } from '../../identity/context.ts';
import type { On } from '../../wiring.ts';
import type { PartInSystem } from '../parts/service.ts';
import { componentOf } from '../parts/standings.ts';
import { followUpsStore } from './store.ts';

interface Needs {
  readonly planning: { dayOf(context: RequestContext, moment: string): Promise<Day> };
  readonly parts: { find(context: RequestContext, id: string): Promise<PartInSystem | undefined> };
  readonly visits: { open(context: RequestContext, id: string, systemId: string): Promise<VisitView> };
}

/** Nothing is put off for longer, days. */
const LONGEST_PUT_OFF = 3 * 366;

const refuse = (code: 'invalid-request' | 'unknown-reading', path: string, detail: string): never => {
  throw new ProblemError(code, detail, [{ path, detail }]);
};

/** What is put off must be a reading that the part has, and for a day ahead. `today`: the firm's day on which it was put off. */
function checkWhat(asked: NewFollowUp, part: PartInSystem, today: Day): void {
  const place = placesOn(componentOf(part), part.system_kind, part.system_plate).find(
    (p) => p.kind.id === asked.kind && p.method.id === asked.method && p.point === asked.point,
  );
  if (!place) refuse('unknown-reading', 'kind', `No ${asked.kind} by ${asked.method} at ${asked.point} on this part.`);
  const days = dayOf(asked.dueOn) - today;
  if (days < -1) refuse('invalid-request', 'dueOn', 'It is due before it was put off.');
  if (days > LONGEST_PUT_OFF) refuse('invalid-request', 'dueOn', `${asked.dueOn} is further ahead than any round.`);
}

/** Whether two states are of one follow-up: what was put off never changes, only why, until when, and whether it holds. */
const isSameOne = (a: FollowUpView, b: NewFollowUp): boolean =>
  (['visitId', 'componentId', 'kind', 'point', 'method', 'putOffAt'] as const).every((key) => a[key] === b[key]);

const isSameState = (a: FollowUpView, b: NewFollowUp): boolean =>
  isDeepStrictEqual([a.reason, a.note, a.dueOn, a.withdrawn], [b.reason, b.note ?? null, b.dueOn, b.withdrawn]);

/** Readings put off, each with a reason and a day; a later reading at the same place settles it. */
export function followUpsService({ db, now, transact }: On<Needs>) {
  const store = followUpsStore(db);
  return {
    ofSystem: (context: RequestContext, systemId: string) => store.ofSystem(context, systemId),
    toDo: (context: RequestContext) => store.toDo(context),
    settledBy: (context: RequestContext, id: string, reading: NewReading) => store.settle(context, { id, ...reading }),
    /** Keeps a follow-up as it now stands, while its round is open. */
    put: (context: RequestContext, id: string, asked: NewFollowUp): Promise<FollowUpView> =>
      transact(async ({ db: held, needs: { parts, planning, visits } }) => {
        const part = await parts.find(context, asked.componentId);
        if (!part) throw notFound('part');
        await holdSystem(held, context, part.system_id);
        const kept = await followUpsStore(held).find(context, id);
        if (kept && !isSameOne(kept, asked)) throw new ProblemError('id-taken', 'Another follow-up has this id.');
        if (kept && isSameState(kept, asked)) return kept;
        const { startedAt } = await visits.open(context, asked.visitId, part.system_id);
        checkNotBefore('putOffAt', asked.putOffAt, startedAt, 'the day this round began');
        checkNotAhead('putOffAt', asked.putOffAt, now());
        checkWhat(asked, part, await planning.dayOf(context, asked.putOffAt));
        return followUpsStore(held).put(context, id, part.system_id, asked);
      }),
  };
}
