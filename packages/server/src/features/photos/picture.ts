import sharp from 'sharp';
import { ProblemError } from '../../http/problems.ts';
import type { Picture } from './store.ts';

const MIMES: Readonly<Record<string, string>> = { jpeg: 'image/jpeg', png: 'image/png', webp: 'image/webp' };
const THUMB_PX = 360;
/** Wide enough to read a plate's smallest print, narrow enough to keep thousands of them. */
const MOST_PX = 2400;
/** A small file can unpack into an enormous picture; no camera makes more than this. */
const MOST_PIXELS = 80_000_000;

const refuse = (detail: string): never => {
  throw new ProblemError('photo-refused', detail, [{ path: 'body', detail }]);
};

/**
 * Reads a picture by its content, whatever its name says: JPEG, PNG or WebP. It is turned upright, made no larger than
 * needed, written anew (which leaves out the place and camera noted in the file), and given a thumbnail.
 */
export async function pictureOf(bytes: Buffer): Promise<Picture> {
  if (bytes.length === 0) return refuse('The file is empty.');
  const picture = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' });
  const { format } = await picture.metadata().catch(() => ({ format: undefined }));
  const mime = format && MIMES[format];
  if (!mime) return refuse('This is no JPEG, PNG or WebP picture, whatever its name says.');
  try {
    const upright = picture.rotate();
    const full = await upright
      .clone()
      .resize(MOST_PX, MOST_PX, { fit: 'inside', withoutEnlargement: true })
      .toBuffer({ resolveWithObject: true });
    const thumb = await upright
      .clone()
      .resize(THUMB_PX, THUMB_PX, { fit: 'inside', withoutEnlargement: true })
      .toFormat(format)
      .toBuffer();
    return { bytes: full.data, thumb, mime, width: full.info.width, height: full.info.height };
  } catch {
    return refuse('The picture is damaged; take it again.');
  }
}
