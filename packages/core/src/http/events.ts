import { z } from 'zod';
import { EVENT_KINDS } from '../judgment/events.ts';
import { dateSchema, givenDateSchema, idSchema } from './common.ts';

/** Something done to a system on a visit that moves its readings without a part having worn. */
export const newEventSchema = z.object({
  visitId: idSchema,
  kind: z.enum(EVENT_KINDS, { error: 'is none of the repairs' }),
  on: givenDateSchema,
  note: z.string().trim().max(300, 'at most 300 characters').nullable().default(null),
  /** True when it is taken back: it was noted by mistake. */
  withdrawn: z.boolean().default(false),
});
export type NewEvent = z.infer<typeof newEventSchema>;

export const eventSchema = z.object({
  id: idSchema,
  visitId: idSchema,
  kind: z.enum(EVENT_KINDS),
  on: dateSchema,
  note: z.string().nullable(),
});
export type EventView = z.infer<typeof eventSchema>;
