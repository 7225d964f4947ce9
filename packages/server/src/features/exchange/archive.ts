import { Zip, ZipDeflate, ZipPassThrough } from 'fflate';

/** A file of an archive: its name, its bytes piece by piece, and whether they are packed already. */
export interface ArchiveFile {
  readonly name: string;
  readonly pieces: AsyncIterable<string | Uint8Array>;
  readonly isPacked: boolean;
}

/** A ZIP of some files, in pieces as they come: no more than one piece of one file is held. */
export async function* zipOf(files: AsyncIterable<ArchiveFile>): AsyncGenerator<Buffer> {
  const ready: Buffer[] = [];
  const zip = new Zip((error, piece) => {
    if (error) throw error;
    ready.push(Buffer.from(piece));
  });
  for await (const { name, pieces, isPacked } of files) {
    const file = isPacked ? new ZipPassThrough(name) : new ZipDeflate(name, { level: 6 });
    zip.add(file);
    for await (const piece of pieces) {
      file.push(typeof piece === 'string' ? Buffer.from(piece) : piece);
      yield* ready.splice(0);
    }
    file.push(new Uint8Array(0), true);
    yield* ready.splice(0);
  }
  zip.end();
  yield* ready.splice(0);
}
