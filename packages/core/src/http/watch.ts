import { z } from 'zod';
import { SLOTS } from '../equipment/component.ts';
import { systemKindSchema } from '../equipment/plate.ts';
import { STANDINGS } from '../judgement/standing.ts';
import { idSchema } from './common.ts';

const numbers = z.record(z.string(), z.union([z.number(), z.string(), z.boolean(), z.null()]));

/** What an inline thread is drawn from: points, limit, baseline and the range ahead; days since 1970, kind's unit. */
export const inlineThreadSchema = z.object({
  points: z.array(z.object({ day: z.number(), value: z.number() })),
  limit: z.number().nullable(),
  baseline: z.number().nullable(),
  ahead: z.object({ day: z.number(), expected: z.number(), low80: z.number(), high80: z.number() }).nullable(),
});
export type InlineThreadData = z.infer<typeof inlineThreadSchema>;

/** One component on the Watch list, with its most urgent thread. */
export const watchRowSchema = z.object({
  componentId: idSchema,
  systemId: idSchema,
  slot: z.enum(SLOTS),
  rating: z.string().nullable(),
  standing: z.enum(STANDINGS),
  urgency: z.number(),
  chance: z.number(),
  kind: z.string(),
  point: z.string(),
  because: z.object({ code: z.string(), numbers }),
  also: z.array(z.object({ code: z.string(), numbers })),
  thread: inlineThreadSchema,
  address: z.string(),
  area: z.string().nullable(),
  customerName: z.string(),
  systemKind: systemKindSchema,
});
export type WatchRow = z.infer<typeof watchRowSchema>;

export const watchQuerySchema = z.object({
  standing: z
    .string()
    .transform((text) => text.split(','))
    .pipe(z.array(z.enum(STANDINGS)).max(STANDINGS.length))
    .optional(),
  area: z.string().trim().max(40).optional(),
  limit: z.coerce.number().int().min(1).max(100).default(50),
  offset: z.coerce.number().int().min(0).max(100_000).default(0),
});

/** A page of the Watch list with the counts around it and the capacitors to load for the rows that match. */
export const watchPageSchema = z.object({
  components: z.number().int(),
  matching: z.number().int(),
  areas: z.array(z.string()),
  rows: z.array(watchRowSchema),
  load: z.array(z.object({ part: z.string(), count: z.number().int(), addresses: z.array(z.string()) })),
});
export type WatchPage = z.infer<typeof watchPageSchema>;
