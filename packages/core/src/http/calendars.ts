import { z } from 'zod';
import { idSchema, momentSchema } from './common.ts';

/** People with a calendar of their own: since when its link stands, null where there is none. */
export const calendarsSchema = z.object({
  calendars: z.array(z.object({ personId: idSchema, name: z.string(), since: momentSchema.nullable() })),
});
export type Calendars = z.infer<typeof calendarsSchema>;

/** A calendar's new link, told this once: only a digest of it is kept. */
export const calendarLinkSchema = z.object({ path: z.string() });
