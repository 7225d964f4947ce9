import type { ExportedFirm, ExportedSystem } from '@yarnix/core';
import type { Knex } from 'knex';
import { digestOf } from '../../database/digest.ts';
import { ProblemError } from '../../http/problems.ts';
import { pictureOf } from '../photos/picture.ts';
import type { FirmFile } from './firm-file.ts';
import { FileRefused, refuseFile } from './refusal.ts';
import { systemRows, type By, type Rows } from './system-rows.ts';

const ROWS_AT_A_TIME = 1000;

/** A photo of a system with its picture; null where the file has no picture of it. */
async function photoRow(
  context: By,
  system: ExportedSystem,
  photo: ExportedSystem['photos'][number],
  file: FirmFile,
): Promise<Rows[number] | null> {
  const bytes = await file.photo(photo.id);
  if (!bytes) return null;
  const { thumb, mime } = await pictureOf(bytes).catch((error: unknown) => {
    if (error instanceof ProblemError) return refuseFile(`Photo ${photo.id}: ${error.detail}`);
    throw error;
  });
  return {
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
    bytes,
    thumb,
  };
}

export const IN_USE = 'Some of what is in it is here already, or belongs to another firm.';

/** Keeps rows of which none may be there yet. */
async function insertNew(db: Knex, table: string, rows: Rows): Promise<void> {
  for (let at = 0; at < rows.length; at += ROWS_AT_A_TIME) {
    const some = rows.slice(at, at + ROWS_AT_A_TIME);
    const made = await db(table).insert(some).onConflict().ignore().returning<object[]>('firm_id');
    if (made.length !== some.length) throw new FileRefused(IN_USE);
  }
}

/** Keeps rows that may be there from an earlier part of the same firm; those of another firm are in the way. */
async function insertMissing(db: Knex, context: By, table: string, rows: Rows): Promise<void> {
  if (rows.length === 0) return;
  await db(table).insert(rows).onConflict().ignore();
  const ours = await db(table)
    .where({ firm_id: context.firmId })
    .whereIn(
      'id',
      rows.map((r) => r.id as string),
    )
    .count<{ count: string }[]>('* as count');
  if (Number(ours[0]?.count) !== rows.length) throw new FileRefused(IN_USE);
}

/** How a firm judges, plans and signs: taken over only where there is no system yet, else it has chosen its own. */
async function restoreSettings(db: Knex, { firmId }: By, firm: ExportedFirm): Promise<void> {
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
async function restoreDays(db: Knex, { firmId }: By, { dayOrders, vans }: ExportedFirm): Promise<void> {
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
async function restoreFirm(db: Knex, context: By, firm: ExportedFirm): Promise<void> {
  const firm_id = context.firmId;
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
  await restoreDays(db, context, firm);
}

/** What a firm's systems rest on, kept in a transaction before the first of them. Throws FileRefused where an id of it is another firm's. */
export async function keepFirm(held: Knex.Transaction, context: By, firm: ExportedFirm): Promise<void> {
  await restoreSettings(held, context, firm);
  await restoreFirm(held, context, firm);
}

/** A system without its photos, kept in a transaction. Throws FileRefused where any of it is here already. */
export async function keepSystem(held: Knex.Transaction, context: By, system: ExportedSystem): Promise<void> {
  const customer = { id: system.customerId, firm_id: context.firmId, name: system.customerName };
  await insertMissing(held, context, 'customers', [customer]);
  for (const [table, rows] of Object.entries(systemRows(context, system))) await insertNew(held, table, rows);
}

/**
 * The photos of a system that is kept, one at a time: of all of them there may be more than there is memory. Those that are
 * here stay as they are.
 */
export async function keepPhotos(db: Knex, context: By, system: ExportedSystem, file: FirmFile): Promise<void> {
  const own = { firm_id: context.firmId, system_id: system.id };
  const here = new Set(await db('photos').where(own).pluck<string[]>('id'));
  for (const photo of system.photos.filter(({ id }) => !here.has(id))) {
    const row = await photoRow(context, system, photo, file);
    if (row) await insertNew(db, 'photos', [row]);
  }
}
