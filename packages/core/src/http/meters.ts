import { z } from 'zod';
import { line, text } from '../quantity/text.ts';
import { INSTRUMENT_KINDS, METER_QUANTITIES } from '../readings/contract/quantities.ts';
import { STANDINGS } from '../verdict/standing.ts';
import { dateSchema, givenMomentSchema, idSchema, momentSchema } from './common.ts';

/** An instrument as it is kept: whose it is (null for one of the firm's), its kind, and from when until when it is used. */
export const newMeterSchema = z
  .object({
    kind: z.enum(INSTRUMENT_KINDS, { error: 'is no kind of instrument' }),
    name: line(60, 'its name'),
    personId: idSchema.nullable(),
    since: dateSchema,
    until: dateSchema.nullable().default(null),
  })
  .refine((m) => m.until === null || m.until >= m.since, { error: 'is before it came into use', path: ['until'] });
export type NewMeter = z.infer<typeof newMeterSchema>;

const figure = z.number({ error: 'must be a number' }).min(-100_000).max(1e8);

/** A meter held against something known: what is there, within how much, and what the meter showed; the quantity's unit. */
export const newMeterCheckSchema = z.object({
  quantity: z.enum(METER_QUANTITIES, { error: 'is nothing a meter measures' }),
  against: line(60, 'what it was held against'),
  known: figure,
  knownWithin: figure.min(0, 'must not be below zero'),
  shown: figure,
  takenAt: givenMomentSchema,
});
export type NewMeterCheck = z.infer<typeof newMeterCheckSchema>;

const meterCheckSchema = newMeterCheckSchema.extend({
  id: idSchema,
  takenAt: momentSchema,
  personInitials: z.string(),
});

/** What is known of one quantity that a meter measures; offsets as shares of the value, or °F. */
const meterQuantitySchema = z.object({
  quantity: z.enum(METER_QUANTITIES),
  standing: z.enum(STANDINGS),
  off: z.number().nullable(),
  within: z.number().nullable(),
  against: z.enum(['known', 'firm']),
  /** Days since 1970. */
  since: z.number().nullable(),
  readings: z.number(),
  story: z.enum(['steady', 'going-off', 'stepped']),
  /** Its offset over time, with the standard deviation; days since 1970. */
  days: z.array(z.number()),
  mean: z.array(z.number()),
  sd: z.array(z.number()),
});
export type MeterQuantityView = z.infer<typeof meterQuantitySchema>;

/** An instrument with what is known of it. `isKept` is false for what a person read with before instruments were kept. */
export const meterSchema = z.object({
  id: idSchema,
  kind: z.enum(INSTRUMENT_KINDS),
  name: text(60),
  personId: idSchema.nullable(),
  personName: z.string().nullable(),
  since: dateSchema.nullable(),
  until: dateSchema.nullable(),
  isKept: z.boolean(),
  checkedAt: momentSchema.nullable(),
  standing: z.enum(STANDINGS),
  quantities: z.array(meterQuantitySchema),
  checks: z.array(meterCheckSchema),
});
export type MeterView = z.infer<typeof meterSchema>;

export const metersSchema = z.object({
  meters: z.array(meterSchema),
  people: z.array(z.object({ id: idSchema, name: z.string(), initials: z.string() })),
});

/** An instrument in use, as a device has to know it. */
export const meterInUseSchema = z.object({
  id: idSchema,
  kind: z.enum(INSTRUMENT_KINDS),
  name: text(60),
  personId: idSchema.nullable(),
  checkedAt: momentSchema.nullable(),
  /** What it was held against last: the next check begins from it. */
  last: newMeterCheckSchema.pick({ quantity: true, against: true, known: true, knownWithin: true }).nullable(),
});
export type MeterInUse = z.infer<typeof meterInUseSchema>;

/** The instruments of a reading, by kind. */
export const readWithSchema = z.partialRecord(z.enum(INSTRUMENT_KINDS), idSchema);
