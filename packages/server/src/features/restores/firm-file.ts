import { MOST_PHOTO_BYTES } from '@yarnix/core';
import type { Readable } from 'node:stream';
import { buffer } from 'node:stream/consumers';
import { fromRandomAccessReaderPromise, RandomAccessReader, type Entry, type ZipFile } from 'yauzl';
import { refuseFile } from './refusal.ts';
import { PieceMissing, type StoredFile } from './stored-file.ts';

/** A file of a firm: its JSON, and its photos by their ids where it is an archive. */
export interface FirmFile {
  readonly json: () => AsyncIterable<Buffer>;
  /** A photo's bytes; null where the file has it not. */
  readonly photo: (id: string) => Promise<Buffer | null>;
}

/** What the JSON of an archive may unpack to, bytes; it is read piece by piece. */
const MOST_JSON_BYTES = 4 * 1024 ** 3;
/** Files an archive may hold. */
const MOST_ENTRIES = 500_000;

/** What an archive that cannot be read has thrown; but that its pieces could not be had is no fault of it. */
const damaged = (error: unknown): never => {
  if (error instanceof PieceMissing) throw error;
  return refuseFile('The archive is damaged, or was cut short.');
};

/** A file of an archive, piece by piece. */
async function* unpacked(zip: ZipFile, entry: Entry): AsyncGenerator<Buffer> {
  try {
    yield* await zip.openReadStreamPromise(entry);
  } catch (error) {
    damaged(error);
  }
}

class StoredReader extends RandomAccessReader {
  constructor(private readonly file: StoredFile) {
    super();
  }
  override _readStreamForRange(start: number, end: number): Readable {
    return this.file.read(start, end);
  }
}

async function entriesOf(zip: ZipFile): Promise<{ json: Entry | undefined; photos: ReadonlyMap<string, Entry> }> {
  if (zip.entryCount > MOST_ENTRIES) refuseFile(`It holds ${zip.entryCount} files; at most ${MOST_ENTRIES} are read.`);
  let json: Entry | undefined;
  const photos = new Map<string, Entry>();
  for await (const entry of zip.eachEntry()) {
    if (entry.fileName === 'firm.json') json = entry;
    const id = /^photos\/([0-9a-f-]{36})\.\w+$/.exec(entry.fileName)?.[1];
    if (id !== undefined) photos.set(id, entry);
  }
  return { json, photos };
}

async function archive(file: StoredFile): Promise<FirmFile> {
  const reader = new StoredReader(file);
  // The size that an entry claims is held against what it unpacks to, while it is unpacked.
  const options = { lazyEntries: true, autoClose: false, validateEntrySizes: true };
  const zip = await fromRandomAccessReaderPromise(reader, file.size, options).catch(damaged);
  const { json, photos } = await entriesOf(zip).catch(damaged);
  if (!json) return refuseFile('There is no firm.json in the archive.');
  if (json.uncompressedSize > MOST_JSON_BYTES)
    return refuseFile('It unpacks to more than can be read: take it out in parts.');
  return {
    json: () => unpacked(zip, json),
    async photo(id) {
      const entry = photos.get(id);
      if (!entry) return null;
      if (entry.uncompressedSize > MOST_PHOTO_BYTES) return refuseFile(`Photo ${id} is larger than any that is taken.`);
      return buffer(unpacked(zip, entry));
    },
  };
}

/** Opens a file, which is JSON or an archive of JSON and photos. Throws FileRefused where it is neither. */
export async function openFirmFile(file: StoredFile): Promise<FirmFile> {
  const head = await buffer(file.read(0, Math.min(2, file.size)));
  if (head.toString('latin1') === 'PK') return archive(file);
  return { json: () => file.read(0, file.size), photo: () => Promise.resolve(null) };
}
