import { z } from 'zod';

/** An id made by the client: a UUID. */
export const idSchema = z.uuid({ error: 'must be a UUID' });

/** A calendar date, "2026-04-15". */
export const dateSchema = z.iso.date({ error: 'must be a date such as 2026-04-15' });

/** A moment in UTC. */
export const momentSchema = z.iso.datetime({ error: 'must be a UTC time such as 2026-04-15T14:05:00Z' });

/** RFC 9457 problem details, with the fields at fault. */
export const problemSchema = z.object({
  type: z.string(),
  title: z.string(),
  status: z.number().int(),
  code: z.string(),
  detail: z.string(),
  errors: z.array(z.object({ path: z.string(), detail: z.string() })).optional(),
});

export type Problem = z.infer<typeof problemSchema>;
