import { type ExportedSystem, type Restored } from '@yarnix/core';
import type { Knex } from 'knex';
import { digestOf } from '../../database/digest.ts';
import { ProblemError } from '../../http/problems.ts';
import { isAhead } from '../../http/times.ts';
import type { RequestContext } from '../../identity/context.ts';
import { pictureOf } from '../photos/picture.ts';
import { readFirmFile, refuseFile, type ReadFirm } from './read-firm-file.ts';
import { systemRows, type Rows } from './system-rows.ts';

const ROWS_AT_A_TIME = 1000;

/** Photos of a system whose pictures are there; of one that is not, nothing is kept. */
async function photosOf(context: RequestContext, system: ExportedSystem, photos: ReadFirm['photos']): Promise<Rows> {
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
      reading_id: photo.readingId,
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
    const made = await db(table).insert(some).onConflict().ignore().returning<object[]>('firm_id');
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

/** How a firm judges, plans and signs: taken over only where there is no system yet, else it has chosen its own. */
async function restoreSettings(db: Knex, { firmId }: RequestContext, firm: ReadFirm['firm']): Promise<void> {
  if (await db('systems').where({ firm_id: firmId }).first<object | undefined>('id')) return;
  const { areas = [], ...planning } = firm.planning ?? {};
  await db('firms')
    .where({ id: firmId })
    .update({
      policy: JSON.stringify(firm.policy),
      policy_revision: db.raw('policy_revision + 1'),
      ...(firm.planning && { planning: JSON.stringify(planning) }),
      ...(firm.reportHead && { report_head: JSON.stringify(firm.reportHead) }),
    });
  const places = areas.flatMap(({ area, place }) => (place ? [{ firm_id: firmId, area, ...place }] : []));
  if (places.length > 0) await db('area_places').insert(places).onConflict().ignore();
}

/** Orders of days and what is in vans, where none is known yet. */
async function restoreDays(db: Knex, { firmId }: RequestContext, { dayOrders, vans }: ReadFirm['firm']): Promise<void> {
  const orders = dayOrders.map(({ personId, day, systems }) => ({
    firm_id: firmId,
    person_id: personId,
    day,
    systems,
  }));
  if (orders.length > 0) await db('day_orders').insert(orders).onConflict().ignore();
  const stock = vans.map(({ personId, ...aboard }) => ({ firm_id: firmId, person_id: personId, ...aboard }));
  if (stock.length > 0) await db('van_stock').insert(stock).onConflict().ignore();
}

/** What the systems rest on. */
async function restoreFirm(db: Knex, context: RequestContext, { firm, systems }: ReadFirm): Promise<void> {
  const firm_id = context.firmId;
  await restoreSettings(db, context, firm);
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
  await restoreDays(db, context, firm);
}

/** Reads a firm's file back, all of it or nothing, in the caller's transaction. */
export async function restore(db: Knex, context: RequestContext, bytes: Buffer, now: Date): Promise<Restored> {
  const read = await readFirmFile(bytes);
  const ahead = read.systems.flatMap((s) => s.readings).find((r) => isAhead(r.takenAt, now));
  if (ahead) refuseFile(`A reading in it was taken at ${ahead.takenAt}, which is still to come.`);
  await restoreFirm(db, context, read);
  let photos = 0;
  for (const system of read.systems) {
    for (const [table, rows] of Object.entries(systemRows(context, system))) await insertNew(db, table, rows);
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
