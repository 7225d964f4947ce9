import type { InstrumentKind, Inputs, NewReading, Reading, ReadingView, Ruling } from '@yarnix/core';
import type { Knex } from 'knex';
import type { RequestContext } from '../../identity/context.ts';

export interface ReadingRow {
  id: string;
  system_id: string;
  visit_id: string;
  component_id: string;
  kind: string;
  point: ReadingView['point'];
  method: string;
  inputs: ReadingView['inputs'];
  value: number | null;
  findings: string[];
  conditions: ReadingView['conditions'];
  confirmed: boolean;
  note: string | null;
  taken_at: Date;
  supersedes: string | null;
  digest: string;
  person_initials: string;
  superseded: boolean;
  probes: ReadingView['probes'];
  ruling: Ruling | null;
  person_id: string;
  /** By kind of instrument; null for what was read before instruments were kept. */
  instruments: Partial<Record<InstrumentKind, string>> | null;
}

export const viewOfReading = (row: ReadingRow): ReadingView => ({
  id: row.id,
  visitId: row.visit_id,
  componentId: row.component_id,
  kind: row.kind,
  point: row.point,
  method: row.method,
  inputs: row.inputs,
  value: row.value,
  findings: row.findings,
  takenAt: row.taken_at.toISOString(),
  conditions: row.conditions,
  confirmed: row.confirmed,
  note: row.note,
  personInitials: row.person_initials,
  supersedes: row.supersedes,
  superseded: row.superseded,
  probes: row.probes,
  ruling: row.ruling,
  instrument: row.instruments ?? row.person_id,
});

export const keptOf = (row: KeptRow): Reading => ({
  id: row.id,
  visitId: row.visit_id,
  componentId: row.component_id,
  kind: row.kind,
  point: row.point,
  method: row.method,
  value: row.value,
  findings: row.findings,
  takenAt: row.taken_at.toISOString(),
  supersedes: row.supersedes,
  conditions: row.conditions,
  inputs: row.inputs,
  ruling: row.ruling,
  instrument: row.instruments ?? row.person_id,
});

/** What judging needs of a reading. */
const KEPT = [
  'id',
  'visit_id',
  'component_id',
  'kind',
  'point',
  'method',
  'value',
  'findings',
  'taken_at',
  'supersedes',
  'conditions',
  'inputs',
  'ruling',
  'person_id',
  'instruments',
] as const;
export type KeptRow = Pick<ReadingRow, (typeof KEPT)[number]>;

export interface JudgedEntry {
  systemId: string;
  value: number | null;
  findings: readonly string[];
  inputs: Inputs;
  digest: string;
  instruments: Partial<Record<InstrumentKind, string>>;
}

export const readingsStore = (db: Knex) => {
  const readings = (context: RequestContext) =>
    db('readings as r')
      .join('people as p', 'p.id', 'r.person_id')
      .where('r.firm_id', context.firmId)
      .select<ReadingRow[]>(
        'r.*',
        'p.initials as person_initials',
        db.raw('exists (select 1 from readings n where n.supersedes = r.id) as superseded'),
      );
  return {
    async find(context: RequestContext, id: string): Promise<ReadingRow | undefined> {
      const [row] = await readings(context).where('r.id', id);
      return row;
    },
    ofSystem: (context: RequestContext, systemId: string): Promise<ReadingRow[]> =>
      readings(context).where('r.system_id', systemId).orderBy(['r.taken_at', 'r.id']),

    /** What judging needs of a system's readings, superseded ones too. */
    kept: (context: RequestContext, systemId: string): Promise<KeptRow[]> =>
      db('readings').where({ firm_id: context.firmId, system_id: systemId }).select<KeptRow[]>(KEPT),

    rule: (context: RequestContext, id: string, ruling: Ruling | null): Promise<number> =>
      db('readings')
        .where({ firm_id: context.firmId, id })
        .update({ ruling: ruling && JSON.stringify(ruling) }),

    /** The initials of whoever asks. */
    async initialsOf({ personId }: RequestContext): Promise<string> {
      const row = await db('people').where({ id: personId }).first<{ initials: string } | undefined>('initials');
      return row?.initials ?? '';
    },

    async lastOf(context: RequestContext, componentId: string): Promise<Date | null> {
      const [row] = await db('readings')
        .where({ firm_id: context.firmId, component_id: componentId })
        .max<{ last: Date | null }[]>('taken_at as last');
      return row?.last ?? null;
    },

    /** Inserts unless the id, or a correction of the same reading, is there already; tells whether it did. */
    async insert(context: RequestContext, id: string, reading: NewReading, judged: JudgedEntry): Promise<boolean> {
      const rows = await db('readings')
        .insert({
          id,
          firm_id: context.firmId,
          person_id: context.personId,
          system_id: judged.systemId,
          visit_id: reading.visitId,
          component_id: reading.componentId,
          kind: reading.kind,
          point: reading.point,
          method: reading.method,
          inputs: JSON.stringify(judged.inputs),
          value: judged.value,
          findings: judged.findings,
          conditions: JSON.stringify(reading.conditions),
          confirmed: reading.confirmed,
          note: reading.note ?? null,
          taken_at: reading.takenAt,
          supersedes: reading.supersedes ?? null,
          digest: judged.digest,
          instruments: JSON.stringify(judged.instruments),
          probes: reading.probes ? JSON.stringify(reading.probes) : null,
        })
        .onConflict()
        .ignore()
        .returning<{ id: string }[]>('id');
      return rows.length === 1;
    },
  };
};
