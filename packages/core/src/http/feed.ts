import { z } from 'zod';
import { idSchema, momentSchema } from './common.ts';

/** What can happen that another program may want to know of. */
export const FEED_KINDS = [
  'system-entered',
  'system-removed',
  'plate-changed',
  'visit-started',
  'visit-closed',
  'visit-removed',
  'reading-taken',
  'reading-overruled',
  'reading-removed',
  'part-fitted',
  'part-removed',
  'part-stands-otherwise',
  'repair-noted',
] as const;
export type FeedKind = (typeof FEED_KINDS)[number];

/** Where in the feed: what was given there is never given again behind it. */
const cursorSchema = z.string().regex(/^\d{1,18}-\d{1,18}$/, { error: 'is no place in the feed' });

export const feedQuerySchema = z.object({
  /** The last one that was dealt with; from the beginning when left out. */
  after: cursorSchema.optional(),
  limit: z.coerce.number().int().min(1).max(1000).default(200),
});

export const feedSchema = z.object({
  events: z.array(
    z.object({
      cursor: z.string(),
      kind: z.enum(FEED_KINDS),
      /** When it was written here, not when it was done at the machine. */
      at: momentSchema,
      systemId: idSchema,
      /** Of the system, visit, reading, part or repair that it is about. */
      id: idSchema,
    }),
  ),
  /** Ask after this next; the same as was asked after when there was nothing. */
  next: z.string().nullable(),
});
export type Feed = z.infer<typeof feedSchema>;
