import { componentsFor, type NewSystem } from '@yarnix/core';
import { ProblemError } from '../../http/problems.ts';
import type { RequestContext } from '../../identity/context.ts';
import { labelOf } from './replacement.ts';
import type { partsStore } from './store.ts';

type Store = ReturnType<typeof partsStore>;
type Parts = ReturnType<typeof componentsFor>;

/** A plate that was read better: the parts it tells of, and the ids the client made for those that are new. */
export interface PlateToFollow {
  readonly systemId: string;
  readonly parts: Parts;
  readonly ids: NewSystem['components'];
  readonly fittedOn: string | null;
}

async function insertParts(store: Store, context: RequestContext, asked: PlateToFollow): Promise<void> {
  const rows = asked.parts.map((part) => ({
    ...part,
    id: asked.ids.find((c) => c.slot === part.slot)?.id ?? '',
    systemId: asked.systemId,
    label: labelOf(part.plate),
    fittedOn: asked.fittedOn,
    replaces: null,
    overruledBecause: null,
    digest: null,
  }));
  const inserted = rows.length === 0 ? 0 : await store.insert(context, rows);
  if (inserted !== rows.length) throw new ProblemError('id-taken', 'One of the parts has an id that is in use.');
}

/** The parts a system starts with. */
export const fitFirst = (store: Store, context: RequestContext, systemId: string, system: NewSystem): Promise<void> =>
  insertParts(store, context, {
    systemId,
    parts: componentsFor(system.kind, system.plate),
    ids: system.components,
    fittedOn: system.installedOn ?? null,
  });

/**
 * Follows a plate that was read better: parts it names for the first time are added, and a capacitor or fuse that was
 * never replaced gets the plate's rating; one that was keeps what its own label says. Parts stay, whatever the plate leaves out.
 */
export async function followPlate(store: Store, context: RequestContext, asked: PlateToFollow): Promise<void> {
  const living = (await store.ofSystem(context, asked.systemId)).filter((row) => row.removed_on === null);
  const missing = asked.parts.filter((part) => !living.some((row) => row.slot === part.slot));
  const unnamed = missing.find((part) => !asked.ids.some((c) => c.slot === part.slot));
  if (unnamed) throw new ProblemError('parts-do-not-match', `The plate adds ${unnamed.slot}, which has no id.`);
  await insertParts(store, context, { ...asked, parts: missing });
  for (const part of asked.parts) {
    const row = living.find((l) => l.slot === part.slot);
    const isFirst = row?.replaces === null;
    const { rating = row?.plate.rating, amps = row?.plate.amps } = part.plate;
    if (row && isFirst && (rating !== row.plate.rating || amps !== row.plate.amps)) {
      await store.setPlate(context, row.id, { ...row.plate, ...part.plate }, labelOf(part.plate));
    }
  }
}
