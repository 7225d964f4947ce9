import { createHash } from 'node:crypto';

function ordered(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(ordered);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value)
      .filter(([, v]) => v !== undefined)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([k, v]) => [k, ordered(v)]),
  );
}

/** A short fingerprint of what was sent, so that the same PUT twice is told from two different ones with one id. */
export const digestOf = (body: unknown): string =>
  createHash('sha256')
    .update(JSON.stringify(ordered(body)))
    .digest('base64url')
    .slice(0, 22);

/** A fingerprint of a file. */
export const bytesDigestOf = (bytes: Buffer): string => createHash('sha256').update(bytes).digest('base64url');
