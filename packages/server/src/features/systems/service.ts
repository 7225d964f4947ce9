import {
  componentsFor,
  dayOf,
  parseCapacitorRating,
  RATING_FIELDS,
  sayRatingTrouble,
  type NewPlate,
  type NewSystem,
  type NewWires,
  type Reading,
  type SystemDetail,
} from '@yarnix/core';
import { digestOf } from '../../database/digest.ts';
import { holdSystem } from '../../database/hold.ts';
import { checkDayNotAhead, checkNotBeforeYear } from '../../http/times.ts';
import { notFound, ProblemError } from '../../http/problems.ts';
import { together } from '../../database/together.ts';
import type { RequestContext } from '../../identity/context.ts';
import type { On } from '../../wiring.ts';
import type { partsService } from '../parts/service.ts';
import { noteSetting, noteWires, type MovedSetting } from './plate-notes.ts';
import { systemsStore } from './store.ts';

/** What tells of one system. */
interface Tells<T> {
  ofSystem(context: RequestContext, systemId: string): Promise<T>;
}

interface Needs {
  readonly planning: { zone(context: RequestContext): Promise<string> };
  readonly parts: Tells<SystemDetail['components']> &
    Pick<ReturnType<typeof partsService>, 'fitFirst' | 'followPlate' | 'refresh'>;
  readonly visits: Tells<SystemDetail['visits']>;
  readonly readings: Tells<SystemDetail['readings']> & {
    kept(context: RequestContext, systemId: string): Promise<Reading[]>;
  };
  readonly followUps: Tells<SystemDetail['followUps']>;
  readonly looseEnds: Tells<SystemDetail['looseEnds']>;
  readonly photos: Tells<SystemDetail['photos']>;
  readonly events: Tells<SystemDetail['events']>;
}

/** A rating may be left out, but what is written must be readable: it decides which lugs exist. */
function checkRatings(plate: NewSystem['plate']): void {
  for (const field of RATING_FIELDS) {
    const text = plate[field];
    const read = text ? parseCapacitorRating(text) : null;
    if (read?.outcome === 'cannot-read') {
      const detail = sayRatingTrouble(read);
      throw new ProblemError('rating-unreadable', detail, [{ path: `plate.${field}`, detail }]);
    }
  }
}

/** Manufacturers print the year a machine was built, at most that of next year's line. */
function checkYear({ year }: NewSystem['plate'], now: Date): void {
  if (year === undefined || year <= now.getUTCFullYear() + 1) return;
  const detail = `${year} is still to come.`;
  throw new ProblemError('invalid-request', detail, [{ path: 'plate.year', detail }]);
}

function checkInstalled({ installedOn, plate }: NewSystem, now: Date): void {
  if (installedOn === undefined) return;
  checkDayNotAhead('installedOn', installedOn, now);
  // A machine may be installed late in the year before the one its line is named after.
  checkNotBeforeYear('installedOn', installedOn, plate.year === undefined ? undefined : plate.year - 1);
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
export function systemsService({ db, now, needs, transact }: On<Needs>) {
  const store = systemsStore(db);

  async function detail(context: RequestContext, id: string): Promise<SystemDetail> {
    const system = await store.find(context, id);
    if (!system) throw notFound('system');
    const [zone, components, visits, readings, followUps, looseEnds, photos, events] = await together(
      db,
      () => needs.planning.zone(context),
      () => needs.parts.ofSystem(context, id),
      () => needs.visits.ofSystem(context, id),
      () => needs.readings.ofSystem(context, id),
      () => needs.followUps.ofSystem(context, id),
      () => needs.looseEnds.ofSystem(context, id),
      () => needs.photos.ofSystem(context, id),
      () => needs.events.ofSystem(context, id),
    );
    const { customer_name: customerName, address, area, kind, plate, installed_on: installedOn, lat, lng } = system;
    const place = lat === null || lng === null ? null : { lat, lng };
    const about = { id, customerName, address, area, kind, plate, installedOn, place, zone };
    return { ...about, components, visits, readings, followUps, looseEnds, photos, events };
  }

  async function create(context: RequestContext, id: string, system: NewSystem): Promise<SystemDetail> {
    checkRatings(system.plate);
    checkParts(system);
    checkYear(system.plate, now());
    checkInstalled(system, now());
    const digest = digestOf(system);
    await transact(async ({ db: held, needs: within }) => {
      if (!(await systemsStore(held).ensureCustomer(context, system))) {
        throw new ProblemError('id-taken', 'Another customer has this id.');
      }
      const isNew = await systemsStore(held).insert(context, id, system, digest);
      if (isNew) {
        await within.parts.fitFirst(context, id, system);
        return;
      }
      const existing = await systemsStore(held).find(context, id);
      if (existing?.digest !== digest) throw new ProblemError('id-taken', 'Another system has this id.');
    });
    return detail(context, id);
  }

  /** What every part of the app needs to know of a system. */
  async function facts(context: RequestContext, id: string) {
    const system = await store.find(context, id);
    if (!system) throw notFound('system');
    const { kind, plate, installed_on } = system;
    return { kind, plate, installedOn: installed_on === null ? null : dayOf(installed_on) };
  }

  /** Takes a plate that was read better, and judges every part anew by it. */
  async function changePlate(context: RequestContext, id: string, asked: NewPlate): Promise<SystemDetail> {
    checkRatings(asked.plate);
    await transact(async ({ db: held, needs: within }) => {
      await holdSystem(held, context, id);
      const system = await systemsStore(held).find(context, id);
      if (!system) throw notFound('system');
      checkYear(asked.plate, now());
      await systemsStore(held).setPlate(context, id, asked.plate);
      await within.parts.followPlate(context, {
        systemId: id,
        parts: componentsFor(system.kind, asked.plate),
        ids: asked.components,
        fittedOn: system.installed_on,
      });
      await within.parts.refresh(context, id, await within.readings.kept(context, id), now());
    });
    return detail(context, id);
  }

  return {
    detail,
    create,
    facts,
    changePlate,
    /** Notes a moved setting; the system is held by whoever asks. */
    noteSetting: (context: RequestContext, id: string, moved: MovedSetting) => noteSetting(db, context, id, moved),
    noteWires: (context: RequestContext, id: string, wires: NewWires) =>
      transact(({ db: held }) => noteWires(held, context, id, wires)),
    page: store.page,
    areas: store.areas,
  };
}
