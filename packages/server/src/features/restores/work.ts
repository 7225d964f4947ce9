import type { ExportedFirm } from '@yarnix/core';
import type { Knex } from 'knex';
import { inTransaction } from '../../database/transaction.ts';
import { readFirm, readSystem } from './check-firm.ts';
import { openFirmFile, type FirmFile } from './firm-file.ts';
import { jsonEntries, parsedEntry } from './json-entries.ts';
import { IN_USE, keepFirm, keepPhotos, keepSystem } from './keep-firm.ts';
import { FileRefused, refuseFile } from './refusal.ts';
import { storedFile } from './stored-file.ts';

/** How a slice of work on a file ended: through with what it was at, with more of it left, or with why the file is refused. */
export type RestoreEnd = 'through' | 'more' | { readonly refused: string };

interface Line {
  readonly id: string;
  readonly firm_id: string;
  readonly person_id: string;
  readonly size: string;
  readonly state: 'checking' | 'restoring';
  readonly done: number;
}

/** A slice of keeping lasts about so long, ms. */
const SLICE_MS = 20_000;
/** The fields of a file besides its systems, characters: a firm of some thousand meters. */
const MOST_FIELDS = 64 * 1024 * 1024;
/** Systems between two notes of how far a check is. */
const NOTED_EVERY = 25;

/** Photos of the systems of a file that are kept. */
const PHOTOS_KEPT = `(select count(*) from photos p join restored_systems s using (system_id) where s.restore_id = ?)`;

/** What is in a file beside its systems. */
async function fieldsOf(file: FirmFile, now: Date): Promise<ExportedFirm> {
  const fields: object[] = [];
  let length = 0;
  for await (const entry of jsonEntries(file.json())) {
    if (entry.is === 'system') continue;
    length += entry.text.length;
    if (length > MOST_FIELDS) refuseFile('What is in it beside systems is more than any firm has.');
    fields.push(parsedEntry(entry) as object);
  }
  const whole = Object.fromEntries(fields.flatMap((field) => Object.entries(field)));
  if (Object.hasOwn(whole, 'systems')) refuseFile('It is no file of a firm: its systems are no list.');
  return readFirm(whole, now);
}

/** The systems of a file, one at a time, without the first `from` of them; each is checked as it comes. */
async function* systemsOf(file: FirmFile, firm: ExportedFirm, from: number, now: Date) {
  let at = 0;
  for await (const entry of jsonEntries(file.json())) {
    if (entry.is !== 'system') continue;
    at += 1;
    if (at > from) yield readSystem(parsedEntry(entry), at, firm, now);
  }
}

const TABLES = ['components', 'visits', 'readings', 'followUps', 'looseEnds', 'events', 'byHand'] as const;
const TABLE_NAMES: Readonly<Record<(typeof TABLES)[number], string>> = {
  components: 'components',
  visits: 'visits',
  readings: 'readings',
  followUps: 'follow_ups',
  looseEnds: 'loose_ends',
  events: 'system_events',
  byHand: 'jobs_by_hand',
};

async function isAnyHere(db: Knex, table: string, ids: readonly string[]): Promise<boolean> {
  if (ids.length === 0) return false;
  return (
    (await db(table)
      .whereRaw('id = any(?::uuid[])', [[...ids]])
      .first<object | undefined>('id')) !== undefined
  );
}

/** Looks a file through, all of it, before anything of it is kept. */
async function check(db: Knex, line: Line, file: FirmFile, now: Date): Promise<RestoreEnd> {
  const firm = await fieldsOf(file, now);
  const note = (state: object) =>
    db('restores')
      .where({ id: line.id })
      .update({ ...state, beat_at: db.fn.now() });
  const seen = new Set<string>();
  for await (const system of systemsOf(file, firm, 0, now)) {
    if (seen.has(system.id)) refuseFile(`System ${seen.size + 1}: it is in the file twice.`);
    seen.add(system.id);
    if (await isAnyHere(db, 'systems', [system.id])) refuseFile(`System ${seen.size}, ${system.address}: ${IN_USE}`);
    for (const list of TABLES)
      if (
        await isAnyHere(
          db,
          TABLE_NAMES[list],
          system[list].map(({ id }) => id),
        )
      )
        refuseFile(`System ${seen.size}, ${system.address}: ${IN_USE}`);
    if (seen.size % NOTED_EVERY === 0) await note({ done: seen.size });
  }
  await inTransaction(db, async (held) => {
    await keepFirm(held, { firmId: line.firm_id, personId: line.person_id }, firm);
    await held('restores')
      .where({ id: line.id, state: 'checking' })
      .update({ state: 'restoring', total: seen.size, done: 0, beat_at: held.fn.now() });
  });
  return seen.size === 0 ? 'through' : 'more';
}

/**
 * Keeps systems of a file that was looked through, each whole, and then its photos; what is lost with a server goes on where it
 * was.
 */
async function keep(db: Knex, line: Line, file: FirmFile, now: Date): Promise<RestoreEnd> {
  const firm = await fieldsOf(file, now);
  const until = Date.now() + SLICE_MS;
  let done = line.done;
  for await (const system of systemsOf(file, firm, done, now)) {
    if (Date.now() > until) return 'more';
    const by = { firmId: line.firm_id, personId: line.person_id };
    const own = { restore_id: line.id, system_id: system.id };
    const isKept = (await db('restored_systems').where(own).first<object | undefined>('system_id')) !== undefined;
    if (!isKept)
      await inTransaction(db, async (held) => {
        await keepSystem(held, by, system);
        await held('restored_systems').insert(own);
        await held('restores')
          .where({ id: line.id })
          .update({ beat_at: held.fn.now() })
          .increment({ systems: 1, readings: system.readings.length });
      });
    await keepPhotos(db, by, system, file);
    await db('restores')
      .where({ id: line.id })
      .update({ done: done + 1, photos: db.raw(PHOTOS_KEPT, [line.id]), beat_at: db.fn.now() });
    done += 1;
  }
  return 'through';
}

/**
 * Works on a firm's file for a while, on a worker with bounds of memory and time of its own: looks all of it through, and then
 * keeps it system by system. The same again goes on where it was.
 */
export async function workOnRestore(db: Knex, restoreId: string, now: Date): Promise<RestoreEnd> {
  const line = await db('restores')
    .where({ id: restoreId })
    .whereIn('state', ['checking', 'restoring'])
    .first<Line | undefined>();
  if (!line) return 'through';
  try {
    const file = await openFirmFile(storedFile(db, line.id, Number(line.size)));
    return line.state === 'checking' ? await check(db, line, file, now) : await keep(db, line, file, now);
  } catch (error) {
    if (error instanceof FileRefused) return { refused: error.message };
    throw error;
  }
}
