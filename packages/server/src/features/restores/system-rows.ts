import { severityOf, type ExportedSystem } from '@yarnix/core';
import { digestOf } from '../../database/digest.ts';
import { labelOf } from '../parts/replacement.ts';

/** In which firm something is kept, and by whom what nobody is known to have done. */
export interface By {
  readonly firmId: string;
  readonly personId: string;
}

/** Rows of a table, by column. */
export type Rows = Record<string, unknown>[];

const json = (value: unknown) => (value === null ? null : JSON.stringify(value));

/** Readings, each behind the one it corrects: rows are written some at a time, and each rests on what is there. */
function correctedFirst(readings: ExportedSystem['readings']): ExportedSystem['readings'] {
  const corrects = new Map(readings.map((r) => [r.id, r.supersedes]));
  const depth = (id: string): number => {
    let deep = 0;
    for (let at = corrects.get(id); typeof at === 'string'; at = corrects.get(at)) deep += 1;
    return deep;
  };
  return readings
    .map((reading) => ({ reading, deep: depth(reading.id) }))
    .sort((a, b) => a.deep - b.deep)
    .map(({ reading }) => reading);
}

function readingRows(context: By, system: ExportedSystem): Rows {
  const personOfVisit = new Map(system.visits.map((v) => [v.id, system.by[v.id]]));
  return correctedFirst(system.readings).map((r) => ({
    id: r.id,
    firm_id: context.firmId,
    system_id: system.id,
    visit_id: r.visitId,
    component_id: r.componentId,
    person_id: system.by[r.id] ?? personOfVisit.get(r.visitId) ?? context.personId,
    kind: r.kind,
    point: r.point,
    method: r.method,
    inputs: json(r.inputs),
    value: r.value,
    findings: r.findings,
    conditions: json(r.conditions),
    confirmed: r.confirmed,
    note: r.note,
    taken_at: r.takenAt,
    supersedes: r.supersedes,
    digest: digestOf(r.id),
    probes: json(r.probes),
    ruling: json(r.ruling),
    instruments: typeof r.instrument === 'string' ? null : json(r.instrument),
  }));
}

const looseEndRows = (context: By, system: ExportedSystem): Rows =>
  system.looseEnds.map((e) => ({
    id: e.id,
    firm_id: context.firmId,
    system_id: system.id,
    visit_id: e.visitId,
    code: e.code,
    text: e.text,
    opened_at: e.openedAt,
    put_back_at: e.putBackAt,
    left_because: e.leftBecause,
  }));

const decisionRows = (context: By, system: ExportedSystem): Rows =>
  system.decisions.map(({ personId, window, by, at, ...d }) => ({
    ...d,
    firm_id: context.firmId,
    system_id: system.id,
    person_id: personId,
    from_minute: window?.from ?? null,
    to_minute: window?.to ?? null,
    decided_by: by,
    decided_at: at,
  }));

/** What is planned on a system: what was decided, noted by hand, set aside. */
function plannedRows(context: By, system: ExportedSystem): Record<string, Rows> {
  const own = { firm_id: context.firmId, system_id: system.id };
  return {
    job_decisions: decisionRows(context, system),
    jobs_by_hand: system.byHand.map((j) => ({
      id: j.id,
      ...own,
      person_id: j.by,
      task: j.text,
      by_when: j.byWhen,
      minutes: j.minutes,
      made_at: j.at,
    })),
    snoozes: system.setAside.map((z) => ({
      component_id: z.componentId,
      firm_id: context.firmId,
      person_id: z.by,
      until: z.until,
      reason: z.reason,
      set_at: z.at,
    })),
  };
}

/** Rows of one system, by table, in the order in which one rests on the other. */
export function systemRows(context: By, system: ExportedSystem): Record<string, Rows> {
  const own = { firm_id: context.firmId, system_id: system.id };
  const by = (id: string): string => system.by[id] ?? context.personId;
  return {
    systems: [
      {
        id: system.id,
        firm_id: context.firmId,
        customer_id: system.customerId,
        address: system.address,
        area: system.area,
        kind: system.kind,
        plate: json(system.plate),
        installed_on: system.installedOn,
        lat: system.place?.lat ?? null,
        lng: system.place?.lng ?? null,
        digest: digestOf(system.id),
        created_by: context.personId,
      },
    ],
    components: system.components.map((c) => ({
      id: c.id,
      ...own,
      slot: c.slot,
      kind: c.kind,
      plate: json(c.plate),
      part_label: labelOf(c.plate),
      fitted_on: c.fittedOn,
      removed_on: c.removedOn,
      removed_reason: c.removedReason,
      replaces: c.replaces,
      standing: c.standing,
      severity: severityOf(c.standing),
    })),
    visits: system.visits.map((v) => ({
      id: v.id,
      ...own,
      person_id: by(v.id),
      started_at: v.startedAt,
      closed_at: v.closedAt,
      note: v.note,
      season: v.season,
      call: json(v.call),
    })),
    readings: readingRows(context, system),
    follow_ups: system.followUps.map((f) => ({
      id: f.id,
      ...own,
      visit_id: f.visitId,
      component_id: f.componentId,
      kind: f.kind,
      point: f.point,
      method: f.method,
      reason: f.reason,
      note: f.note,
      due_on: f.dueOn,
      put_off_at: f.putOffAt,
      done_by: f.doneBy,
      withdrawn: f.withdrawn,
    })),
    loose_ends: looseEndRows(context, system),
    system_events: system.events.map((e) => ({
      id: e.id,
      ...own,
      visit_id: e.visitId,
      person_id: by(e.id),
      kind: e.kind,
      happened_on: e.on,
      note: e.note,
      change: json(e.change),
    })),
    ...plannedRows(context, system),
  };
}
