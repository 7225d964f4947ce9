import {
  dayOf,
  exportedFirmSchema,
  exportedSystemSchema,
  severityOf,
  type ExportedFirm,
  type ExportedSystem,
  type Restored,
} from '@yarnix/core';
import { unzipSync } from 'fflate';
import type { Knex } from 'knex';
import { setImmediate as breathe } from 'node:timers/promises';
import { digestOf } from '../../database/digest.ts';
import { ProblemError } from '../../http/problems.ts';
import type { RequestContext } from '../../identity/context.ts';
import { labelOf } from '../parts/replacement.ts';
import { pictureOf } from '../photos/picture.ts';

/** What is unpacked at most, bytes: a small file can unpack into an enormous one. */
const MOST_UNPACKED = 512 * 1024 * 1024;
const ROWS_AT_A_TIME = 1000;

const refuse = (detail: string): never => {
  throw new ProblemError('file-unreadable', detail);
};

/** The JSON and the photos of a file, which is the one or an archive of both. */
function partsOf(bytes: Buffer): { json: unknown; photos: ReadonlyMap<string, Uint8Array> } {
  const read = (text: Uint8Array): unknown => {
    try {
      return JSON.parse(Buffer.from(text).toString('utf8'));
    } catch {
      return refuse('It is no JSON file, nor an archive with one.');
    }
  };
  if (bytes.subarray(0, 2).toString('latin1') !== 'PK') return { json: read(bytes), photos: new Map() };
  let unpacked = 0;
  const files = (() => {
    try {
      return unzipSync(bytes, { filter: ({ originalSize }) => (unpacked += originalSize) <= MOST_UNPACKED });
    } catch {
      return refuse('The archive is damaged, or was cut short.');
    }
  })();
  if (unpacked > MOST_UNPACKED) refuse('It unpacks to more than can be taken at once: take it out in parts.');
  const json = files['firm.json'];
  if (!json) return refuse('There is no firm.json in the archive.');
  const photos = Object.entries(files).flatMap(([name, photo]) => {
    const id = /^photos\/([0-9a-f-]{36})\.\w+$/.exec(name)?.[1];
    return id === undefined ? [] : [[id, photo] as const];
  });
  return { json: read(json), photos: new Map(photos) };
}

interface Read {
  readonly firm: ExportedFirm;
  readonly systems: readonly ExportedSystem[];
  readonly photos: ReadonlyMap<string, Uint8Array>;
}

const whereOf = (path: readonly PropertyKey[]): string => path.map(String).join('.');

/** Reads a file whole before anything of it is kept. */
async function readFile(bytes: Buffer): Promise<Read> {
  const { json, photos } = partsOf(bytes);
  const firm = exportedFirmSchema.safeParse(json);
  const told = json as { systems?: unknown };
  if (!firm.success || !Array.isArray(told.systems)) {
    const issue = firm.error?.issues[0];
    return refuse(
      `It is no file of a firm: ${issue ? `${whereOf(issue.path)} ${issue.message}` : 'it has no systems'}.`,
    );
  }
  const systems: ExportedSystem[] = [];
  for (const [at, system] of told.systems.entries()) {
    const read = exportedSystemSchema.safeParse(system);
    const issue = read.error?.issues[0];
    if (!read.success)
      return refuse(`System ${at + 1}: ${issue ? `${whereOf(issue.path)} ${issue.message}` : 'cannot be read'}.`);
    systems.push(read.data);
    // Others are served between two systems.
    await breathe();
  }
  return { firm: firm.data, systems, photos };
}

type Rows = Record<string, unknown>[];

const json = (value: unknown) => (value === null ? null : JSON.stringify(value));

function readingRows(context: RequestContext, system: ExportedSystem): Rows {
  const personOfVisit = new Map(system.visits.map((v) => [v.id, system.by[v.id]]));
  return system.readings.map((r) => ({
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

const looseEndRows = (context: RequestContext, system: ExportedSystem): Rows =>
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

/** Rows of one system, by table, in the order in which one rests on the other. */
function rowsOf(context: RequestContext, system: ExportedSystem): Record<string, Rows> {
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
  };
}

/** Photos of a system whose pictures are there; of one that is not, nothing is kept. */
async function photosOf(context: RequestContext, system: ExportedSystem, photos: Read['photos']): Promise<Rows> {
  const rows: Rows = [];
  for (const photo of system.photos) {
    const bytes = photos.get(photo.id);
    if (!bytes) continue;
    const { thumb, mime } = await pictureOf(Buffer.from(bytes));
    rows.push({
      id: photo.id,
      firm_id: context.firmId,
      system_id: system.id,
      visit_id: photo.visitId,
      component_id: photo.componentId,
      person_id: system.by[photo.id] ?? context.personId,
      subject: photo.subject,
      note: photo.note,
      taken_at: photo.takenAt,
      width: photo.width,
      height: photo.height,
      mime,
      digest: digestOf(photo.id),
      bytes: Buffer.from(bytes),
      thumb,
    });
  }
  return rows;
}

const IN_USE = 'Some of what is in it is here already, or belongs to another firm. Nothing of it was kept.';

/** Keeps rows of which none may be there yet. */
async function insertNew(db: Knex, table: string, rows: Rows): Promise<void> {
  for (let at = 0; at < rows.length; at += ROWS_AT_A_TIME) {
    const some = rows.slice(at, at + ROWS_AT_A_TIME);
    const made = await db(table).insert(some).onConflict().ignore().returning<object[]>('id');
    if (made.length !== some.length) throw new ProblemError('id-taken', IN_USE);
  }
}

/** Keeps rows that may be there from an earlier part of the same firm; those of another firm are in the way. */
async function insertMissing(db: Knex, context: RequestContext, table: string, rows: Rows): Promise<void> {
  if (rows.length === 0) return;
  await db(table).insert(rows).onConflict().ignore();
  const ours = await db(table)
    .where({ firm_id: context.firmId })
    .whereIn(
      'id',
      rows.map((r) => r.id as string),
    )
    .count<{ count: string }[]>('* as count');
  if (Number(ours[0]?.count) !== rows.length) throw new ProblemError('id-taken', IN_USE);
}

/** What the systems rest on. Schools are taken over only where there is no system yet: else the firm has chosen its own. */
async function restoreFirm(db: Knex, context: RequestContext, { firm, systems }: Read): Promise<void> {
  const firm_id = context.firmId;
  const there: unknown = await db('systems').where({ firm_id }).first('id');
  if (!there)
    await db('firms')
      .where({ id: firm_id })
      .update({ policy: JSON.stringify(firm.policy), policy_revision: db.raw('policy_revision + 1') });
  const [last] = await db('people').where({ firm_id }).max<{ position: number | null }[]>('position as position');
  const first = (last?.position ?? -1) + 1;
  await insertMissing(
    db,
    context,
    'people',
    firm.people.map((p, at) => ({ ...p, firm_id, position: first + at })),
  );
  await insertMissing(
    db,
    context,
    'meters',
    firm.meters.map(({ personId, ...m }) => ({ ...m, firm_id, person_id: personId })),
  );
  await insertMissing(
    db,
    context,
    'meter_checks',
    firm.checks.map(({ meterId, personId, knownWithin, takenAt, ...c }) => ({
      ...c,
      firm_id,
      meter_id: meterId,
      person_id: personId,
      known_within: knownWithin,
      taken_at: takenAt,
    })),
  );
  const tables = firm.refrigerants.map((r) => ({
    ...r,
    points: JSON.stringify(r.points),
    firm_id,
    loaded_by: context.personId,
    loaded_at: db.fn.now(),
  }));
  if (tables.length > 0) await db('refrigerants').insert(tables).onConflict().ignore();
  const customers = new Map(systems.map((s) => [s.customerId, s.customerName]));
  await insertMissing(
    db,
    context,
    'customers',
    [...customers].map(([id, name]) => ({ id, firm_id, name })),
  );
}

/** Reads a firm's file back, all of it or nothing, in the caller's transaction. */
export async function restore(db: Knex, context: RequestContext, bytes: Buffer, now: Date): Promise<Restored> {
  const read = await readFile(bytes);
  const ahead = read.systems.flatMap((s) => s.readings).find((r) => dayOf(r.takenAt) > dayOf(now.toISOString()));
  if (ahead) refuse(`A reading in it was taken on ${ahead.takenAt.slice(0, 10)}, which is still to come.`);
  await restoreFirm(db, context, read);
  let photos = 0;
  for (const system of read.systems) {
    for (const [table, rows] of Object.entries(rowsOf(context, system))) await insertNew(db, table, rows);
    const pictures = await photosOf(context, system, read.photos);
    await insertNew(db, 'photos', pictures);
    photos += pictures.length;
  }
  return {
    systems: read.systems.length,
    readings: read.systems.reduce((sum, s) => sum + s.readings.length, 0),
    photos,
  };
}
