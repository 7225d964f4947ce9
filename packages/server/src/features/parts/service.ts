import {
  dayIn,
  type PartSchool,
  type ComponentView,
  type FittedPart,
  type NewSystem,
  type Policy,
  type Reading,
  type SystemEvent,
  type FleetPrior,
} from '@yarnix/core';
import { isDeepStrictEqual } from 'node:util';
import { digestOf } from '../../database/digest.ts';
import { holdSystemOf } from '../../database/hold.ts';
import { heldBy } from '../../database/transaction.ts';
import { notFound, ProblemError } from '../../http/problems.ts';
import type { RequestContext } from '../../identity/context.ts';
import type { On } from '../../wiring.ts';
import { componentOf, standingsOf } from './standings.ts';
import { fitFirst, followPlate, type PlateToFollow } from './first-parts.ts';
import { threadMemo } from './thread-memo.ts';
import { judgePartBy } from './own-school.ts';
import { insertReplacement } from './replacement.ts';
import { partsStore, viewOfPart, type PartInSystem, type PartRow, type Standings } from './store.ts';

interface Needs {
  readonly session: {
    judging(
      context: RequestContext,
    ): Promise<{ readonly policy: Policy; readonly prior: FleetPrior | undefined; readonly stamp: string }>;
  };
  readonly planning: { zone(context: RequestContext): Promise<string> };
  readonly events: { happenedTo(context: RequestContext, systemId: string): Promise<SystemEvent[]> };
}

/** Whether a part is judged as it was, so that nothing needs to be written. */
const isSame = (row: PartRow, stands: Standings): boolean =>
  row.standing === stands.standing &&
  Math.fround(row.urgency) === Math.fround(stands.urgency) &&
  Math.fround(row.chance) === Math.fround(stands.chance) &&
  isDeepStrictEqual(row.lead, stands.lead === null ? null : (JSON.parse(JSON.stringify(stands.lead)) as unknown));

/** Parts and their lives: the first ones, replacements, and how each stands. */
export function partsService({ db, needs }: On<Needs>) {
  const store = partsStore(db);

  /** Judges the parts of a system anew from all its readings; part of the caller's transaction. */
  async function refresh(
    context: RequestContext,
    systemId: string,
    readings: readonly Reading[],
    now: Date,
  ): Promise<void> {
    // One after the other: within a transaction there is one connection, and it answers one question at a time.
    const rows = await store.ofSystem(context, systemId);
    const judging = await needs.session.judging(context);
    const events = await needs.events.happenedTo(context, systemId);
    const first = rows[0] && (await store.find(context, rows[0].id));
    if (!first) return;
    const living = rows.filter((r) => r.removed_on === null);
    const zone = await needs.planning.zone(context);
    const { system_kind: kind, system_plate: plate } = first;
    const system = { kind, plate, zone, components: living.map(componentOf), events };
    const today = dayIn(zone, now.toISOString());
    const newest = readings.reduce((latest, r) => Math.max(latest, dayIn(zone, r.takenAt)), today);
    const { stamp } = judging;
    const rests = digestOf([stamp, systemId, kind, plate, zone, events]);
    const { standings } = standingsOf(system, readings, newest, judging, threadMemo(systemId, rests));
    for (const row of living) {
      const stands = standings.get(row.id);
      if (stands && !isSame(row, stands)) await store.setStandings(context, row.id, row.standing, stands, now);
    }
  }

  /**
   * Fits a part in place of another; the same again is the same part. `check` is asked about the old part once its system
   * is held. Runs in the caller's transaction.
   */
  async function replace(
    context: RequestContext,
    id: string,
    fitted: FittedPart,
    check: (old: PartInSystem) => Promise<void>,
  ): Promise<{ part: ComponentView; isNew: boolean; systemId: string }> {
    const digest = digestOf(fitted);
    await holdSystemOf(heldBy(db), context, fitted.replaces);
    const old = await store.find(context, fitted.replaces);
    if (!old) throw notFound('part');
    const existing = await store.find(context, id);
    if (existing) {
      if (existing.digest !== digest) throw new ProblemError('id-taken', 'Another part has this id.');
      return { part: viewOfPart(existing), isNew: false, systemId: existing.system_id };
    }
    await check(old);
    const { policy } = await needs.session.judging(context);
    await insertReplacement(store, context, id, old, fitted, digest, policy);
    const made = await store.find(context, id);
    if (!made) throw notFound('part');
    return { part: viewOfPart(made), isNew: true, systemId: made.system_id };
  }

  async function one(context: RequestContext, id: string): Promise<ComponentView> {
    const part = await store.find(context, id);
    if (!part) throw notFound('part');
    return viewOfPart(part);
  }

  return {
    one,
    judgeBy: (context: RequestContext, id: string, school: PartSchool) => judgePartBy(heldBy(db), context, id, school),
    fitFirst: (context: RequestContext, systemId: string, system: NewSystem) =>
      fitFirst(store, context, systemId, system),
    followPlate: (context: RequestContext, asked: PlateToFollow) => followPlate(store, context, asked),
    /** The parts that are in now, as judging sees them. */
    living: async (context: RequestContext, systemId: string) =>
      (await store.ofSystem(context, systemId)).filter((row) => row.removed_on === null).map(componentOf),
    replace,
    refresh,
    find: store.find,
    ofSystem: async (context: RequestContext, systemId: string) =>
      (await store.ofSystem(context, systemId)).map(viewOfPart),
  };
}

export type { Lead, PartInSystem } from './store.ts';
