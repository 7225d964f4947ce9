import { createHash, randomBytes } from 'node:crypto';

/** The secret of a link: nobody guesses it, and it can stand in an address. */
export const newSecret = (): string => randomBytes(24).toString('base64url');

/** What is kept of a secret: it is known again by this, and cannot be read from it. */
export const digestOfSecret = (secret: string): string => createHash('sha256').update(secret).digest('hex');
