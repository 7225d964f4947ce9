import { z } from 'zod';
import { line } from '../quantity/text.ts';
import { idSchema, momentSchema } from './common.ts';

/**
 * How far a firm's file is: on its way here, waiting, being looked through, being kept, its parts being judged; done, refused
 * (nothing of it is kept), or stopped by something that has nothing to do with the file (it can go on).
 */
export const RESTORE_STATES = [
  'coming',
  'waiting',
  'checking',
  'restoring',
  'judging',
  'done',
  'refused',
  'stopped',
] as const;

/** A file comes in pieces of so many bytes, the last one of what is left. */
export const PIECE_BYTES = 4 * 1024 * 1024;
/** The largest file of a firm that is taken, bytes. */
export const MOST_FIRM_BYTES = 8 * 1024 ** 3;

/** A firm's file that is to come: what it is called and how large it is, bytes. */
export const newRestoreSchema = z.object({
  name: line(200, 'the name of the file'),
  size: z
    .number({ error: 'must be a number of bytes' })
    .int('a whole number')
    .min(1, 'it is empty')
    .max(MOST_FIRM_BYTES, 'it is larger than 8 GB'),
});
export type NewRestore = z.infer<typeof newRestoreSchema>;

/** Which piece of a file it is, the first at 0. */
export const pieceSchema = z.coerce
  .number()
  .int()
  .min(0)
  .max(MOST_FIRM_BYTES / PIECE_BYTES);

/** A firm's file, and what has come back of it. */
export const restoreSchema = z.object({
  id: idSchema,
  name: z.string(),
  size: z.number().int(),
  /** Pieces that are here. */
  pieces: z.number().int(),
  state: z.enum(RESTORE_STATES),
  /** Systems that are in it, once they were counted; and of those, how many this state is through with. */
  total: z.number().int(),
  done: z.number().int(),
  /** What is kept of it so far. */
  systems: z.number().int(),
  readings: z.number().int(),
  photos: z.number().int(),
  /** Why it was refused or has stopped; null where it was not. */
  error: z.string().nullable(),
  askedAt: momentSchema,
  endedAt: momentSchema.nullable(),
});
export type RestoreView = z.infer<typeof restoreSchema>;

/** The firm's files, the newest first. */
export const restoresSchema = z.object({ restores: z.array(restoreSchema) });
