import { own } from '@yarnix/core';
import PQueue from 'p-queue';
import sharp from 'sharp';
import { ProblemError } from '../../http/problems.ts';
import type { Picture } from './store.ts';

const MIMES: Readonly<Record<string, string>> = { jpeg: 'image/jpeg', png: 'image/png', webp: 'image/webp' };
const THUMB_PX = 360;
/** Wide enough to read a plate's smallest print, narrow enough to keep thousands of them. */
const MOST_PX = 2400;
/** A small file can unpack into an enormous picture: 50 megapixels are more than a phone makes, and 150 MB unpacked. */
const MOST_PIXELS = 50_000_000;

// One picture is unpacked at a time, by one thread, and nothing of it is kept: memory stays bounded whatever comes.
sharp.cache(false);
sharp.concurrency(1);
const queue = new PQueue({ concurrency: 1 });

const refuse = (detail: string): never => {
  throw new ProblemError('photo-refused', detail, [{ path: 'body', detail }]);
};

/** What a file begins with when it is a picture of a kind that is not taken; phones make the first of them. */
const OTHERS: readonly (readonly [RegExp, string])[] = [
  [/^....ftyp(hei[cfsx]|mif1|msf1)/s, 'HEIC'],
  [/^....ftypavif/s, 'AVIF'],
  [/^GIF8/, 'GIF'],
  [/^(II\*\0|MM\0\*)/, 'TIFF'],
  [/^%PDF/, 'PDF'],
  [/^\s*<(\?xml|svg|!DOCTYPE)/i, 'SVG or HTML'],
];

function otherKind(bytes: Buffer): string | undefined {
  const head = bytes.subarray(0, 32).toString('latin1');
  return OTHERS.find(([pattern]) => pattern.test(head))?.[1];
}

/** The kind of a picture by its content, and that it can be unpacked; read from its header, before anything is unpacked. */
async function headerOf(bytes: Buffer): Promise<{ format: string; mime: string }> {
  const other = otherKind(bytes);
  if (other !== undefined) return refuse(`This is a ${other} file. Send the photo as JPEG, PNG or WebP.`);
  const header = await sharp(bytes, { limitInputPixels: false })
    .metadata()
    .catch(() => undefined);
  const mime = header?.format && own(MIMES, header.format);
  if (!header || !mime) return refuse('This is no JPEG, PNG or WebP picture, whatever its name says.');
  if ((header.pages ?? 1) > 1) return refuse('This is a moving picture; send a still one.');
  const pixels = header.width * header.height;
  if (pixels > MOST_PIXELS)
    return refuse(
      `The picture has ${Math.round(pixels / 1e6)} megapixels; at most ${MOST_PIXELS / 1e6} are taken. Make it smaller.`,
    );
  return { format: header.format, mime };
}

async function unpack(bytes: Buffer): Promise<Picture> {
  const { format, mime } = await headerOf(bytes);
  try {
    // From the file straight to each size: a copy of the whole picture is never held.
    const at = (px: number) =>
      sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error', sequentialRead: true })
        .rotate()
        .resize(px, px, { fit: 'inside', withoutEnlargement: true });
    const full = await at(MOST_PX).toBuffer({ resolveWithObject: true });
    const thumb = await at(THUMB_PX)
      .toFormat(format as 'jpeg' | 'png' | 'webp')
      .toBuffer();
    return { bytes: full.data, thumb, mime, width: full.info.width, height: full.info.height };
  } catch {
    return refuse('The picture is damaged; take it again.');
  }
}

/**
 * Reads a picture by its content, whatever its name says: JPEG, PNG or WebP. It is turned upright, made no larger than
 * needed, written anew (which leaves out the place and camera noted in the file), and given a thumbnail. Throws
 * photo-refused with the reason. How many wait at most is how many may come in at a time.
 */
export async function pictureOf(bytes: Buffer): Promise<Picture> {
  if (bytes.length === 0) return refuse('The file is empty.');
  return queue.add(() => unpack(bytes)) as Promise<Picture>;
}

/** Wide enough for half a page of paper. */
const PRINTED_PX = 900;

/** A photo that can be printed: JPEG, and its size in pixels. */
export interface Printable {
  readonly jpeg: Buffer;
  readonly width: number;
  readonly height: number;
}

/** A photo that was kept, as a JPEG that prints well and is not larger than it need be. */
export const printable = (bytes: Buffer): Promise<Printable> =>
  queue.add(
    async () => {
      const { data, info } = await sharp(bytes, { limitInputPixels: MOST_PIXELS })
        .resize({ width: PRINTED_PX, height: PRINTED_PX, fit: 'inside', withoutEnlargement: true })
        .flatten({ background: '#ffffff' })
        .jpeg({ quality: 78 })
        .toBuffer({ resolveWithObject: true });
      return { jpeg: data, width: info.width, height: info.height };
    },
    { throwOnTimeout: true },
  );
