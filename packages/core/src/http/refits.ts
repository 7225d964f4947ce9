import { z } from 'zod';
import { idSchema, momentSchema } from './common.ts';

export const REFIT_STATES = ['queued', 'learning', 'judging', 'done', 'cancelled', 'failed'] as const;

/** The fitting anew of all a firm's threads: what its fleet teaches, and every part judged by it. */
export const refitSchema = z.object({
  id: idSchema,
  state: z.enum(REFIT_STATES),
  /** Systems judged, of how many. */
  done: z.number().int(),
  total: z.number().int(),
  /** Threads judged so far. */
  threads: z.number().int(),
  askedAt: momentSchema,
  endedAt: momentSchema.nullable(),
  error: z.string().nullable(),
});
export type Refit = z.infer<typeof refitSchema>;

export const latestRefitSchema = z.object({ refit: refitSchema.nullable(), learnedAt: momentSchema.nullable() });

/** Asks a refit to stop, or to go on where it stopped. */
export const refitWishSchema = z.object({ wish: z.enum(['cancel', 'resume']) });
