import type {
  Ahead,
  Because,
  ComponentKind,
  ComponentPlate,
  ComponentView,
  InlineThreadData,
  Plate,
  Point,
  Slot,
  Standing,
  SystemKind,
} from '@yarnix/core';
import type { Knex } from 'knex';
import type { RequestContext } from '../../identity/context.ts';

export interface PartRow {
  id: string;
  firm_id: string;
  system_id: string;
  slot: Slot;
  kind: ComponentKind;
  plate: ComponentPlate;
  fitted_on: string | null;
  removed_on: string | null;
  removed_reason: string | null;
  replaces: string | null;
  standing: Standing;
  digest: string | null;
  urgency: number;
  chance: number;
  lead: Lead | null;
  revision: number;
}

/** A part with what judging needs of its system. */
export interface PartInSystem extends PartRow {
  system_kind: SystemKind;
  system_plate: Plate;
}

/** The reason a part stands where it does, with the thread it comes from. */
export interface Lead {
  kind: string;
  point: Point;
  because: Because;
  also: Because[];
  thread: InlineThreadData;
}

export interface NewPart {
  id: string;
  systemId: string;
  slot: Slot;
  kind: ComponentKind;
  plate: ComponentPlate;
  label: string | null;
  fittedOn: string | null;
  replaces: string | null;
  overruledBecause: string | null;
  digest: string | null;
}

export interface Standings {
  standing: Standing;
  severity: number;
  urgency: number;
  chance: number;
  ahead: Ahead | null;
  lead: Lead | null;
}

export const viewOfPart = (row: PartRow): ComponentView => ({
  id: row.id,
  slot: row.slot,
  kind: row.kind,
  plate: row.plate,
  fittedOn: row.fitted_on,
  removedOn: row.removed_on,
  removedReason: row.removed_reason,
  replaces: row.replaces,
  standing: row.standing,
});

export const partsStore = (db: Knex) => ({
  ofSystem: (context: RequestContext, systemId: string): Promise<PartRow[]> =>
    db<PartRow>('components')
      .where({ firm_id: context.firmId, system_id: systemId })
      .orderBy([{ column: 'removed_on', nulls: 'first' }, 'fitted_on', 'id']),

  /** The part and its system. */
  find: (context: RequestContext, id: string): Promise<PartInSystem | undefined> =>
    db('components as k')
      .join('systems as s', 's.id', 'k.system_id')
      .where({ 'k.firm_id': context.firmId, 'k.id': id })
      .first<PartInSystem | undefined>('k.*', 's.kind as system_kind', 's.plate as system_plate'),

  async insert(context: RequestContext, parts: readonly NewPart[]): Promise<number> {
    const rows = await db('components')
      .insert(
        parts.map((p) => ({
          id: p.id,
          firm_id: context.firmId,
          system_id: p.systemId,
          slot: p.slot,
          kind: p.kind,
          plate: JSON.stringify(p.plate),
          part_label: p.label,
          fitted_on: p.fittedOn,
          fitted_by: context.personId,
          replaces: p.replaces,
          overruled_because: p.overruledBecause,
          digest: p.digest,
        })),
      )
      .onConflict('id')
      .ignore()
      .returning<{ id: string }[]>('id');
    return rows.length;
  },

  remove: (context: RequestContext, id: string, removedOn: string, reason: string) =>
    db('components').where({ firm_id: context.firmId, id }).update({ removed_on: removedOn, removed_reason: reason }),

  setPlate: (context: RequestContext, id: string, plate: ComponentPlate, label: string | null) =>
    db('components')
      .where({ firm_id: context.firmId, id })
      .update({ plate: JSON.stringify(plate), part_label: label }),
  async setStandings(context: RequestContext, id: string, was: Standing, s: Standings, at: Date): Promise<void> {
    await db('components')
      .where({ firm_id: context.firmId, id })
      .update({
        ...s,
        ahead: s.ahead === null ? null : JSON.stringify(s.ahead),
        lead: s.lead === null ? null : JSON.stringify(s.lead),
        revision: db.raw('revision + 1'),
      });
    if (was === s.standing) return;
    await db('standing_changes').insert({
      firm_id: context.firmId,
      component_id: id,
      from_standing: was,
      to_standing: s.standing,
      at,
    });
  },
});
