import { exportedFirmSchema, exportedSystemSchema, type ExportedFirm, type ExportedSystem } from '@yarnix/core';
import { unzipSync } from 'fflate';
import { setImmediate as breathe } from 'node:timers/promises';
import { ProblemError } from '../../http/problems.ts';

/** What is unpacked at most, bytes: a small file can unpack into an enormous one. */
const MOST_UNPACKED = 512 * 1024 * 1024;

/** Refuses a file in words. */
export const refuseFile = (detail: string): never => {
  throw new ProblemError('file-unreadable', detail);
};

/** The JSON and the photos of a file, which is the one or an archive of both. */
function partsOf(bytes: Buffer): { json: unknown; photos: ReadonlyMap<string, Uint8Array> } {
  const read = (text: Uint8Array): unknown => {
    try {
      return JSON.parse(Buffer.from(text).toString('utf8'));
    } catch {
      return refuseFile('It is no JSON file, nor an archive with one.');
    }
  };
  if (bytes.subarray(0, 2).toString('latin1') !== 'PK') return { json: read(bytes), photos: new Map() };
  let unpacked = 0;
  const files = (() => {
    try {
      return unzipSync(bytes, { filter: ({ originalSize }) => (unpacked += originalSize) <= MOST_UNPACKED });
    } catch {
      return refuseFile('The archive is damaged, or was cut short.');
    }
  })();
  if (unpacked > MOST_UNPACKED) refuseFile('It unpacks to more than can be taken at once: take it out in parts.');
  const json = files['firm.json'];
  if (!json) return refuseFile('There is no firm.json in the archive.');
  const photos = Object.entries(files).flatMap(([name, photo]) => {
    const id = /^photos\/([0-9a-f-]{36})\.\w+$/.exec(name)?.[1];
    return id === undefined ? [] : [[id, photo] as const];
  });
  return { json: read(json), photos: new Map(photos) };
}

/** A file as it was read. */
export interface ReadFirm {
  readonly firm: ExportedFirm;
  readonly systems: readonly ExportedSystem[];
  readonly photos: ReadonlyMap<string, Uint8Array>;
}

const whereOf = (path: readonly PropertyKey[]): string => path.map(String).join('.');

/** The ids that a system names, by what they are of. */
const namedIn = (s: ExportedSystem) => ({
  people: [
    ...Object.values(s.by),
    ...s.decisions.flatMap((d) => [d.by, d.personId]),
    ...[...s.byHand, ...s.setAside].map((d) => d.by),
  ],
  visits: [...s.readings, ...s.followUps, ...s.looseEnds, ...s.events, ...s.photos].map((r) => r.visitId),
  parts: [
    ...[...s.readings, ...s.followUps, ...s.setAside, ...s.photos].map((r) => r.componentId),
    ...s.components.map((c) => c.replaces),
  ],
  readings: [
    ...s.readings.map((r) => r.supersedes),
    ...s.followUps.map((f) => f.doneBy),
    ...s.photos.map((p) => p.readingId),
  ],
});

/** Refuses a file in which something rests on what is not in it: it would rest on whatever has that id here. */
function checkWhole(
  { people, meters, checks, dayOrders, vans }: ExportedFirm,
  systems: readonly ExportedSystem[],
): void {
  const persons = new Set(people.map(({ id }) => id));
  const check = (what: string, there: ReadonlySet<string>, named: readonly (string | null)[]) => {
    const lost = named.find((id) => id !== null && !there.has(id));
    if (lost !== undefined) refuseFile(`It names ${what} ${lost}, which is not in it.`);
  };
  check(
    'person',
    persons,
    [...meters, ...checks, ...dayOrders, ...vans].map((r) => r.personId),
  );
  check(
    'meter',
    new Set(meters.map(({ id }) => id)),
    checks.map((c) => c.meterId),
  );
  for (const system of systems) {
    const named = namedIn(system);
    const ids = (rows: readonly { readonly id: string }[]) => new Set(rows.map(({ id }) => id));
    check('person', persons, named.people);
    check('visit', ids(system.visits), named.visits);
    check('part', ids(system.components), named.parts);
    check('reading', ids(system.readings), named.readings);
  }
}

/** Reads a file whole before anything of it is kept. */
export async function readFirmFile(bytes: Buffer): Promise<ReadFirm> {
  const { json, photos } = partsOf(bytes);
  const firm = exportedFirmSchema.safeParse(json);
  const told = json as { systems?: unknown };
  if (!firm.success || !Array.isArray(told.systems)) {
    const issue = firm.error?.issues[0];
    return refuseFile(
      `It is no file of a firm: ${issue ? `${whereOf(issue.path)} ${issue.message}` : 'it has no systems'}.`,
    );
  }
  const systems: ExportedSystem[] = [];
  for (const [at, system] of told.systems.entries()) {
    const read = exportedSystemSchema.safeParse(system);
    const issue = read.error?.issues[0];
    if (!read.success)
      return refuseFile(`System ${at + 1}: ${issue ? `${whereOf(issue.path)} ${issue.message}` : 'cannot be read'}.`);
    systems.push(read.data);
    // Others are served between two systems.
    await breathe();
  }
  checkWhole(firm.data, systems);
  return { firm: firm.data, systems, photos };
}
