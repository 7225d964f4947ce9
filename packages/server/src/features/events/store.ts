import type { EventKind, EventView, NewEvent, SettingChange } from '@yarnix/core';
import type { Knex } from 'knex';
import type { RequestContext } from '../../identity/context.ts';

interface EventRow {
  id: string;
  firm_id: string;
  system_id: string;
  withdrawn: boolean;
  visit_id: string;
  kind: EventKind;
  happened_on: string;
  note: string | null;
  change: SettingChange | null;
}

const viewOf = (row: EventRow): EventView => ({
  id: row.id,
  visitId: row.visit_id,
  kind: row.kind,
  on: row.happened_on,
  note: row.note,
  change: row.change,
});

export const eventsStore = (db: Knex) => ({
  async ofSystem(context: RequestContext, systemId: string): Promise<EventView[]> {
    const rows = await db<EventRow>('system_events')
      .where({ firm_id: context.firmId, system_id: systemId, withdrawn: false })
      .orderBy(['happened_on', 'id']);
    return rows.map(viewOf);
  },
  async find(context: RequestContext, id: string): Promise<(EventView & { withdrawn: boolean }) | undefined> {
    const row = await db<EventRow>('system_events').where({ firm_id: context.firmId, id }).first();
    return row && { ...viewOf(row), withdrawn: row.withdrawn };
  },
  /** Keeps the latest state; false when the id is another visit's. */
  async put(context: RequestContext, id: string, systemId: string, event: NewEvent): Promise<boolean> {
    const { kind, note, withdrawn } = event;
    const change = event.change && JSON.stringify(event.change);
    const state = { kind, happened_on: event.on, note, change: change as never, withdrawn };
    await db('system_events')
      .insert({
        id,
        firm_id: context.firmId,
        person_id: context.personId,
        system_id: systemId,
        visit_id: event.visitId,
        ...state,
      })
      .onConflict('id')
      .ignore();
    const own = { id, firm_id: context.firmId, visit_id: event.visitId };
    return (await db('system_events').where(own).update(state)) === 1;
  },
});
