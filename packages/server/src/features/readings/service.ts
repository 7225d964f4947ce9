import type { Reading, NewReading, ReadingView } from '@yarnix/core';
import type { Knex } from 'knex';
import { digestOf } from '../../database/digest.ts';
import { holdSystemOf } from '../../database/hold.ts';
import { notFound, ProblemError } from '../../http/problems.ts';
import type { RequestContext } from '../../identity/context.ts';
import { followUpsService } from '../follow-ups/service.ts';
import { partsService } from '../parts/service.ts';
import { refrigerantsService } from '../refrigerants/service.ts';
import { visitsService } from '../visits/service.ts';
import { checkAgainstRegistry, checkCorrection, checkWhereAndWhen } from './check-reading.ts';
import { keptOf, readingsStore, viewOfReading, type ReadingRow } from './store.ts';

/** Readings: taken once, never edited; the part's standing follows in the same transaction. */
export function readingsService(db: Knex) {
  const store = readingsStore(db);

  function sameAgain(existing: ReadingRow, digest: string): ReadingView {
    if (existing.digest !== digest)
      throw new ProblemError('id-taken', 'Another reading has this id; a correction needs an id of its own.');
    return viewOfReading(existing);
  }

  async function takeNew(
    context: RequestContext,
    id: string,
    reading: NewReading,
    digest: string,
    now: Date,
  ): Promise<ReadingView> {
    const part = await partsService(db).find(context, reading.componentId);
    if (!part) throw notFound('part');
    const visit = await visitsService(db, () => now).visit(context, reading.visitId);
    checkWhereAndWhen(reading, part, visit, now);
    // Only the refrigerant's own readings are worked out with tables.
    const tables = part.kind === 'refrigerant-circuit' ? await refrigerantsService(db).tables(context) : {};
    const checked = checkAgainstRegistry(reading, part, tables);
    checkCorrection(reading, reading.supersedes ? await store.find(context, reading.supersedes) : undefined);
    const judged = {
      systemId: part.system_id,
      value: checked.value,
      findings: checked.findings,
      inputs: checked.inputs,
      digest,
    };
    const inserted = await store.insert(context, id, reading, judged);
    const kept = await store.find(context, id);
    // Another request may have been faster with the same id, or someone else's row may hold it.
    if (!kept) throw new ProblemError('id-taken', 'This id is in use.');
    if (!inserted) return sameAgain(kept, digest);
    if (checked.settles) await followUpsService(db, () => now).settledBy(context, id, reading);
    if (part.removed_on === null) {
      // Readings are read together across the system, so the whole of it is judged.
      const all = (await store.kept(context, part.system_id)).map(keptOf);
      await partsService(db).refresh(context, part.system_id, all, now);
    }
    return viewOfReading(kept);
  }

  return {
    ofSystem: async (context: RequestContext, systemId: string): Promise<ReadingView[]> =>
      (await store.ofSystem(context, systemId)).map(viewOfReading),

    /** What judging needs of a system's readings. */
    kept: async (context: RequestContext, systemId: string): Promise<Reading[]> =>
      (await store.kept(context, systemId)).map(keptOf),

    /** When a part was last read; null when it never was. */
    lastOf: (context: RequestContext, componentId: string): Promise<Date | null> => store.lastOf(context, componentId),

    /** Keeps a reading; the same PUT twice is one reading. Runs in the caller's transaction. */
    async take(context: RequestContext, id: string, reading: NewReading, now: Date): Promise<ReadingView> {
      const digest = digestOf(reading);
      await holdSystemOf(db, context, reading.componentId);
      const existing = await store.find(context, id);
      return existing ? sameAgain(existing, digest) : takeNew(context, id, reading, digest, now);
    },
  };
}

/** Each reading in a transaction of its own. */
export const takingService = (db: Knex, now: () => Date) => ({
  take: (context: RequestContext, id: string, reading: NewReading): Promise<ReadingView> =>
    db.transaction((trx) => readingsService(trx).take(context, id, reading, now())),
});
