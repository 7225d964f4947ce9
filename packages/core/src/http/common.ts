import { z } from 'zod';

/** An id made by the client: a UUID. */
export const idSchema = z.uuid({ error: 'must be a UUID' });

/** Nothing this app keeps is older or later: no machine in service was fitted before, no plan reaches beyond. */
const EARLIEST = '1950-01-01';
const LATEST = '2100-01-01';
const outOfBounds = `must be between ${EARLIEST} and ${LATEST}`;

/** A calendar date, "2026-04-15", as it is given, kept and told. */
export const dateSchema = z.iso
  .date({ error: 'must be a date such as 2026-04-15', abort: true })
  .refine((day) => day >= EARLIEST && day < LATEST, { error: outOfBounds });

/** A moment in UTC, as it is kept and told. */
export const momentSchema = z.iso
  .datetime({ error: 'must be a UTC time such as 2026-04-15T14:05:00Z', abort: true })
  .refine((moment) => moment >= EARLIEST && moment < LATEST, { error: outOfBounds, abort: true });

/** A moment that somebody gives, to the millisecond as it is kept: finer digits could round it into another year. */
export const givenMomentSchema = momentSchema.overwrite((moment) => new Date(moment).toISOString());

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
