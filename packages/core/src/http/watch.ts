import { z } from 'zod';
import { line, textIfAny } from '../quantity/text.ts';
import { POINTS, SLOTS } from '../equipment/component.ts';
import { systemKindSchema } from '../equipment/plate.ts';
import { becauseSchema } from '../verdict/reasons.ts';
import { STANDINGS } from '../verdict/standing.ts';
import { dateSchema, idSchema, momentSchema } from './common.ts';

/** What an inline thread is drawn from: points, limit, baseline and the range ahead; days since 1970, kind's unit. */
export const inlineThreadSchema = z.object({
  points: z.array(z.object({ day: z.number(), value: z.number() })).readonly(),
  limit: z.number().nullable(),
  baseline: z.number().nullable(),
  /** `now`: where the part is believed to be at its last reading; the range ahead begins there. */
  ahead: z
    .object({
      day: z.number(),
      now: z.number().optional(),
      expected: z.number(),
      low80: z.number(),
      high80: z.number(),
    })
    .nullable(),
});

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
  point: z.enum(POINTS),
  because: becauseSchema,
  also: z.array(becauseSchema),
  thread: inlineThreadSchema,
  address: z.string(),
  area: z.string().nullable(),
  customerName: z.string(),
  systemKind: systemKindSchema,
  /** Until when it is set aside, and why; null when it is not. */
  snooze: z.object({ until: dateSchema, reason: z.string(), by: z.string() }).nullable(),
});
export type WatchRow = z.infer<typeof watchRowSchema>;

const listOf = <T extends string>(all: readonly T[]) =>
  z
    .string()
    .transform((text) => text.split(','))
    .pipe(z.array(z.enum(all as unknown as readonly [T, ...T[]])).max(all.length))
    .optional();

export const watchFilterSchema = z.object({
  standing: listOf(STANDINGS),
  area: textIfAny(40),
  /** Parts that the season ahead asks for. */
  season: z.enum(['cooling', 'heating']).optional(),
  slot: listOf(SLOTS),
  /** What is set aside is left out unless it is asked for. */
  snoozed: z.enum(['only', 'with']).optional(),
});

export const watchQuerySchema = watchFilterSchema.extend({
  limit: z.coerce.number().int().min(1).max(100).default(50),
  offset: z.coerce.number().int().min(0).max(100_000).default(0),
});

/** How a part's standing has changed since a week ago. */
export const standingChangeSchema = z.object({
  componentId: idSchema,
  systemId: idSchema,
  slot: z.enum(SLOTS),
  address: z.string(),
  from: z.enum(STANDINGS),
  to: z.enum(STANDINGS),
  at: momentSchema,
});
export type StandingChange = z.infer<typeof standingChangeSchema>;

export const watchChangesSchema = z.object({
  since: dateSchema,
  worse: z.number().int(),
  better: z.number().int(),
  changes: z.array(standingChangeSchema),
});
export type WatchChanges = z.infer<typeof watchChangesSchema>;

/** Why a part is set aside. */
export const snoozeReasonSchema = line(200, 'the reason').min(3, 'the reason is missing');

/** Sets a part aside until a day, with the reason. */
export const snoozeSchema = z.object({
  until: dateSchema,
  reason: snoozeReasonSchema,
});
export type Snooze = z.infer<typeof snoozeSchema>;

/** A page of the Watch list with the counts around it and the capacitors to load for the rows that match. */
export const watchPageSchema = z.object({
  components: z.number().int(),
  matching: z.number().int(),
  /** Of those that match but for that: how many are set aside. */
  snoozed: z.number().int(),
  areas: z.array(z.string()),
  rows: z.array(watchRowSchema),
  load: z.array(z.object({ part: z.string(), count: z.number().int(), addresses: z.array(z.string()) })),
});
export type WatchPage = z.infer<typeof watchPageSchema>;
