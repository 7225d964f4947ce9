import type { Day, Method, NewReading, NewRuling, PressureTables, Reading, ReadingView, VisitView } from '@yarnix/core';
import { digestOf } from '../../database/digest.ts';
import { holdSystemOf } from '../../database/hold.ts';
import { notFound, ProblemError } from '../../http/problems.ts';
import type { RequestContext } from '../../identity/context.ts';
import type { On, Within } from '../../wiring.ts';
import type { PartInSystem } from '../parts/service.ts';
import { checkAgainstRegistry, checkCorrection, checkWhereAndWhen } from './check-reading.ts';
import { keptOf, readingsStore, viewOfReading, type ReadingRow } from './store.ts';

interface Needs {
  readonly parts: {
    find(context: RequestContext, id: string): Promise<PartInSystem | undefined>;
    refresh(context: RequestContext, systemId: string, readings: readonly Reading[], now: Date): Promise<void>;
  };
  readonly meters: {
    readWith(
      context: RequestContext,
      method: Method,
      picked: NonNullable<NewReading['instruments']>,
      takenAt: string,
    ): Promise<NonNullable<NewReading['instruments']>>;
  };
  readonly visits: { visit(context: RequestContext, id: string): Promise<VisitView> };
  readonly planning: { dayOf(context: RequestContext, moment: string): Promise<Day> };
  readonly refrigerants: { tables(context: RequestContext): Promise<PressureTables> };
  readonly followUps: { settledBy(context: RequestContext, id: string, reading: NewReading): Promise<unknown> };
}

function sameAgain(existing: ReadingRow, digest: string): ReadingView {
  if (existing.digest !== digest)
    throw new ProblemError('id-taken', 'Another reading has this id; a correction needs an id of its own.');
  return viewOfReading(existing);
}

/** Takes a reading that is not kept yet, and judges its system anew. */
async function takeNew(
  { db, needs, now: clock }: Within<Needs>,
  context: RequestContext,
  id: string,
  reading: NewReading,
  digest: string,
): Promise<ReadingView> {
  const now = clock();
  const store = readingsStore(db);
  const part = await needs.parts.find(context, reading.componentId);
  if (!part) throw notFound('part');
  const day = await needs.planning.dayOf(context, reading.takenAt);
  checkWhereAndWhen(reading, part, await needs.visits.visit(context, reading.visitId), now, day);
  // Only the refrigerant's own readings are worked out with tables.
  const tables = part.kind === 'refrigerant-circuit' ? await needs.refrigerants.tables(context) : {};
  const { settles, method, ...checked } = checkAgainstRegistry(reading, part, tables);
  const instruments = await needs.meters.readWith(context, method, reading.instruments ?? {}, reading.takenAt);
  checkCorrection(reading, reading.supersedes ? await store.find(context, reading.supersedes) : undefined);
  const inserted = await store.insert(context, id, reading, {
    ...checked,
    systemId: part.system_id,
    digest,
    instruments,
  });
  const kept = await store.find(context, id);
  // Another request may have been faster with the same id, or someone else's row may hold it.
  if (!kept) throw new ProblemError('id-taken', 'This id is in use.');
  if (!inserted) return sameAgain(kept, digest);
  if (settles) await needs.followUps.settledBy(context, id, reading);
  if (part.removed_on === null) {
    // Readings are read together across the system, so the whole of it is judged.
    const all = (await store.kept(context, part.system_id)).map(keptOf);
    await needs.parts.refresh(context, part.system_id, all, now);
  }
  return viewOfReading(kept);
}

/** Readings: taken once, never edited; the part's standing follows in the same transaction. */
export function readingsService({ db, now, transact }: On<Needs>) {
  const store = readingsStore(db);
  return {
    ofSystem: async (context: RequestContext, systemId: string): Promise<ReadingView[]> =>
      (await store.ofSystem(context, systemId)).map(viewOfReading),

    /** What judging needs of a system's readings. */
    kept: async (context: RequestContext, systemId: string): Promise<Reading[]> =>
      (await store.kept(context, systemId)).map(keptOf),

    /** The system a reading is of; undefined when the firm has no such reading. */
    systemOf: async (context: RequestContext, id: string): Promise<string | undefined> =>
      (await store.find(context, id))?.system_id,

    /** When a part was last read; null when it never was. */
    lastOf: (context: RequestContext, componentId: string): Promise<Date | null> => store.lastOf(context, componentId),

    /** Puts a technician's ruling in place of a reading's verdict, or takes it back; its system is judged anew by it. */
    rule: (context: RequestContext, id: string, { standing, why, withdrawn }: NewRuling): Promise<ReadingView> =>
      transact(async (within) => {
        const kept = readingsStore(within.db);
        const reading = await kept.find(context, id);
        if (!reading) throw notFound('reading');
        await holdSystemOf(within.db, context, reading.component_id);
        await kept.rule(context, id, withdrawn ? null : { standing, why, by: await kept.initialsOf(context) });
        const all = (await kept.kept(context, reading.system_id)).map(keptOf);
        await within.needs.parts.refresh(context, reading.system_id, all, now());
        return viewOfReading((await kept.find(context, id)) ?? reading);
      }),

    /** Keeps a reading, in a transaction of its own; the same PUT twice is one reading. */
    take: (context: RequestContext, id: string, reading: NewReading): Promise<ReadingView> =>
      transact(async (within) => {
        const digest = digestOf(reading);
        await holdSystemOf(within.db, context, reading.componentId);
        const existing = await readingsStore(within.db).find(context, id);
        return existing ? sameAgain(existing, digest) : takeNew(within, context, id, reading, digest);
      }),
  };
}
