import { z } from 'zod';
import { idSchema, momentSchema } from './common.ts';

export const REFIT_STATES = ['queued', 'learning', 'judging', 'done', 'cancelled', 'failed'] as const;

/** What a refit could not fit, and why. */
export const setAsideSchema = z.object({
  systemId: idSchema,
  componentId: idSchema.nullable(),
  kind: z.string().nullable(),
  point: z.string().nullable(),
  why: z.string(),
});
export type SetAside = z.infer<typeof setAsideSchema>;

/** The fitting anew of all a firm's threads: what its fleet teaches, and every part judged by it. */
export const refitSchema = z.object({
  id: idSchema,
  state: z.enum(REFIT_STATES),
  /** Systems judged, of how many. */
  done: z.number().int(),
  total: z.number().int(),
  /** Threads judged so far. */
  threads: z.number().int(),
  /** Threads (or whole systems, without a kind) that could not be fitted: they stand unproven until a reading is corrected. */
  setAside: z.array(setAsideSchema),
  askedAt: momentSchema,
  endedAt: momentSchema.nullable(),
  error: z.string().nullable(),
});
export type Refit = z.infer<typeof refitSchema>;

export const latestRefitSchema = z.object({ refit: refitSchema.nullable(), learnedAt: momentSchema.nullable() });

/** Asks a refit to stop, or to go on where it stopped. */
export const refitWishSchema = z.object({ wish: z.enum(['cancel', 'resume']) });
