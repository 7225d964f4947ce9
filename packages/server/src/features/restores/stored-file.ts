import { PIECE_BYTES } from '@yarnix/core';
import type { Knex } from 'knex';
import { Readable } from 'node:stream';

/** A file as its pieces lie in the database: read from anywhere, and never held whole. */
export interface StoredFile {
  readonly size: number;
  /** Its bytes from one place up to, but not, another. */
  readonly read: (from: number, to: number) => Readable;
}

/** As much as is read at a time, bytes. */
const AT_A_TIME = 1024 * 1024;

/** A piece of a file could not be had: that is no fault of the file. */
export class PieceMissing extends Error {}

/** The file of a restore. Reading ends with an error where a piece is missing. */
export function storedFile(db: Knex, restoreId: string, size: number): StoredFile {
  async function* slices(from: number, to: number): AsyncGenerator<Buffer> {
    for (let at = from; at < to;) {
      const piece = Math.floor(at / PIECE_BYTES);
      const start = at - piece * PIECE_BYTES;
      const length = Math.min(to - at, PIECE_BYTES - start, AT_A_TIME);
      const asked = db('restore_pieces')
        .where({ restore_id: restoreId, piece })
        .first<{ some: Buffer } | undefined>(db.raw('substr(bytes, ?, ?) as some', [start + 1, length]));
      const row = await asked.catch((cause: unknown) => {
        throw new PieceMissing(`piece ${piece} of the file cannot be had`, { cause });
      });
      if (row?.some.length !== length) throw new PieceMissing(`piece ${piece} of the file is not there as it was sent`);
      yield row.some;
      at += length;
    }
  }
  return { size, read: (from, to) => Readable.from(slices(from, to), { objectMode: false }) };
}
