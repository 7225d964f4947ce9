import { z } from 'zod';
import { text } from '../quantity/text.ts';
import { EVENT_KINDS, isSettingMoved } from '../judgment/events.ts';
import { dateSchema, idSchema } from './common.ts';

const figure = z.number({ error: 'must be a number' }).min(1).max(200);
const changeSchema = z.object({ from: figure.nullable(), to: figure });

/** Something done to a system on a visit that moves its readings without a part having worn. */
export const newEventSchema = z
  .object({
    visitId: idSchema,
    kind: z.enum(EVENT_KINDS, { error: 'is none of the repairs' }),
    on: dateSchema,
    note: text(300).nullable().default(null),
    /** Where a setting stood and where it was put, for what moves one. */
    change: changeSchema.nullable().default(null),
    /** True when it is taken back: it was noted by mistake, or put back as it was. */
    withdrawn: z.boolean().default(false),
  })
  .refine((event) => isSettingMoved(event.kind) === (event.change !== null), {
    error: 'a setting is moved from one figure to another, and nothing else is',
    path: ['change'],
  });
export type NewEvent = z.infer<typeof newEventSchema>;

export const eventSchema = z.object({
  id: idSchema,
  visitId: idSchema,
  kind: z.enum(EVENT_KINDS),
  on: dateSchema,
  note: text(300).nullable(),
  change: changeSchema.nullable(),
});
export type EventView = z.infer<typeof eventSchema>;
