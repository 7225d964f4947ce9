import { MOST_WIRES, wiresNoted, type NewWires, type SettingChange, type SettingField } from '@yarnix/core';
import type { Knex } from 'knex';
import { holdSystem } from '../../database/hold.ts';
import { notFound, ProblemError } from '../../http/problems.ts';
import type { RequestContext } from '../../identity/context.ts';
import { systemsStore } from './store.ts';

/** Notes the wires of one part, in a transaction; what else is on the plate stays, whoever changes it meanwhile. */
export async function noteWires(
  db: Knex.Transaction,
  context: RequestContext,
  id: string,
  { on, wires }: NewWires,
): Promise<NewWires> {
  await holdSystem(db, context, id);
  const system = await systemsStore(db).find(context, id);
  if (!system) throw notFound('system');
  const all = wiresNoted(system.plate.wires, on, wires);
  if (all.length > MOST_WIRES) {
    const detail = `At most ${MOST_WIRES} wires of a system are noted.`;
    throw new ProblemError('invalid-request', detail, [{ path: 'wires', detail }]);
  }
  await systemsStore(db).setPlate(context, id, { ...system.plate, wires: all });
  return { on, wires };
}

/** A setting that was moved, or moved back. */
export interface MovedSetting extends SettingChange {
  readonly field: SettingField;
  readonly isBack: boolean;
}

/**
 * Notes a setting that was moved on the plate record, or moves it back: then only where the record still has what it was
 * moved to, since somebody may have put it right meanwhile. The system is held by whoever asks.
 */
export async function noteSetting(
  db: Knex,
  context: RequestContext,
  id: string,
  { field, from, to, isBack }: MovedSetting,
): Promise<void> {
  const store = systemsStore(db);
  const system = await store.find(context, id);
  if (!system) throw notFound('system');
  const { plate } = system;
  if (isBack && plate[field] !== to) return;
  await store.setPlate(context, id, { ...plate, [field]: (isBack ? from : to) ?? undefined });
}
