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
  return { firm: firm.data, systems, photos };
}
