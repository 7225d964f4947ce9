import { z } from 'zod';
import { line } from '../quantity/text.ts';
import { systemKindSchema } from '../equipment/plate.ts';
import { dateSchema, idSchema, momentSchema } from './common.ts';
import { geoPlaceSchema, windowSchema } from './places.ts';
import { jobKeySchema, jobSchema } from './jobs.ts';

const MINUTES_A_DAY = 24 * 60;
const minuteOfDay = z.number().int('whole minutes').min(0).max(MINUTES_A_DAY);
const monthDay = z
  .string()
  .regex(/^(0[1-9]|1[0-2])-(0[1-9]|[12]\d|30)$/, 'is no month and day')
  .refine((text) => text !== '02-30' && text !== '02-29', 'is not in every year');

/** How a firm plans: when its seasons begin, when its days begin and end, and where they begin. */
export const planningSchema = z
  .object({
    /** First heat and first frost, month and day. */
    heat: monthDay,
    frost: monthDay,
    begins: minuteOfDay,
    ends: minuteOfDay,
    breakMinutes: z.number().int().min(0).max(180, 'at most 180 minutes'),
    start: geoPlaceSchema.nullable(),
    /** Where areas are, for systems whose own place is not known. */
    areas: z.array(z.object({ area: line(40, 'the area'), place: geoPlaceSchema.nullable() })).max(500),
  })
  .refine(({ begins, ends }) => begins < ends, { error: 'ends before it begins', path: ['ends'] })
  .refine(({ heat, frost }) => heat !== frost, { error: 'is the day of the first frost', path: ['heat'] });
export type PlanningSettings = z.infer<typeof planningSchema>;

/** An address of a day, or one that has none yet: all that is planned there, the minutes it takes, and what was promised. */
export const plannedStopSchema = z.object({
  systemId: idSchema,
  address: z.string(),
  area: z.string().nullable(),
  customerName: z.string(),
  systemKind: systemKindSchema,
  place: geoPlaceSchema.nullable(),
  day: dateSchema.nullable(),
  personId: idSchema.nullable(),
  minutes: z.number().int(),
  window: windowSchema.nullable(),
  /** Since when its person is at work there; null when not. */
  since: momentSchema.nullable().default(null),
  jobs: z.array(jobSchema),
});
export type PlannedStop = z.infer<typeof plannedStopSchema>;

/** Days from one on, everybody's addresses in the order they are gone to, and what is planned without a day or a person. */
export const weekSchema = z.object({
  days: z.array(dateSchema),
  people: z.array(z.object({ id: idSchema, name: z.string() })),
  frame: z.object({
    begins: minuteOfDay,
    ends: minuteOfDay,
    breakMinutes: z.number().int(),
    start: geoPlaceSchema.nullable(),
  }),
  stops: z.array(plannedStopSchema),
});
export type Week = z.infer<typeof weekSchema>;

export const weekQuerySchema = z.object({
  from: dateSchema,
  days: z.coerce.number().int().min(1).max(14).default(7),
});

/** All that is planned at an address goes to a day and a person, before another address of that day or after all of them. */
export const stopMoveSchema = z.object({
  jobs: z
    .array(z.object({ key: jobKeySchema, version: z.number().int().min(0).max(1_000_000) }))
    .min(1, 'name what is to do there')
    .max(60),
  day: dateSchema.nullable(),
  personId: idSchema.nullable(),
  before: idSchema.nullable(),
  window: windowSchema.nullable(),
});
export type StopMove = z.infer<typeof stopMoveSchema>;
/** What was moved, as it is now: what moving it back has to name. */
export const movedSchema = z.object({ systemId: idSchema, jobs: z.array(jobSchema) });
export type Moved = z.infer<typeof movedSchema>;

/** The order of somebody's day, and the one that was looked at when it was made. */
export const dayOrderSchema = z.object({ systems: z.array(idSchema).max(60), was: z.array(idSchema).max(60) });
export type NewDayOrder = z.infer<typeof dayOrderSchema>;
