import { componentsFor, parseCapacitorRating, sayRatingTrouble, type NewSystem, type SystemDetail } from '@yarnix/core';
import type { Knex } from 'knex';
import { digestOf } from '../../database/digest.ts';
import { notFound, ProblemError } from '../../http/problems.ts';
import type { RequestContext } from '../../identity/context.ts';
import { partsService } from '../parts/service.ts';
import { readingsService } from '../readings/service.ts';
import { visitsService } from '../visits/service.ts';
import { systemsStore } from './store.ts';

/** A rating may be left out, but what is written must be readable: it decides which lugs exist. */
function checkRatings(plate: NewSystem['plate']): void {
  for (const field of ['capacitorRating', 'fanCapacitorRating'] as const) {
    const text = plate[field];
    const read = text ? parseCapacitorRating(text) : null;
    if (read?.outcome === 'cannot-read') {
      const detail = sayRatingTrouble(read);
      throw new ProblemError('rating-unreadable', detail, [{ path: `plate.${field}`, detail }]);
    }
  }
}

function checkParts(system: NewSystem): void {
  const wanted = componentsFor(system.kind, system.plate).map((c) => c.slot);
  const given = system.components.map((c) => c.slot);
  const same = wanted.length === given.length && wanted.every((slot) => given.includes(slot));
  if (!same)
    throw new ProblemError('parts-do-not-match', `This system has ${wanted.join(', ')}.`, [
      { path: 'components', detail: wanted.join(', ') },
    ]);
}

/** Systems: entering one with its parts, finding them, and the whole of one. */
export function systemsService(db: Knex) {
  const store = systemsStore(db);

  async function detail(context: RequestContext, id: string): Promise<SystemDetail> {
    const system = await store.find(context, id);
    if (!system) throw notFound('system');
    const [components, visits, readings] = await Promise.all([
      partsService(db).ofSystem(context, id),
      visitsService(db).ofSystem(context, id),
      readingsService(db).ofSystem(context, id),
    ]);
    const { customer_name: customerName, address, area, kind, plate, installed_on: installedOn } = system;
    return { id, customerName, address, area, kind, plate, installedOn, components, visits, readings };
  }

  async function create(context: RequestContext, id: string, system: NewSystem): Promise<SystemDetail> {
    checkRatings(system.plate);
    checkParts(system);
    const digest = digestOf(system);
    await db.transaction(async (trx) => {
      if (!(await systemsStore(trx).ensureCustomer(context, system))) {
        throw new ProblemError('id-taken', 'Another customer has this id.');
      }
      const isNew = await systemsStore(trx).insert(context, id, system, digest);
      if (isNew) {
        await partsService(trx).fitFirst(context, id, system);
        return;
      }
      const existing = await systemsStore(trx).find(context, id);
      if (existing?.digest !== digest) throw new ProblemError('id-taken', 'Another system has this id.');
    });
    return detail(context, id);
  }

  return { detail, create, page: store.page };
}
