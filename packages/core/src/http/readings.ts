import { z } from 'zod';
import { POINTS } from '../equipment/component.ts';
import { idSchema, momentSchema } from './common.ts';
import { conditionsSchema } from './visits.ts';

/** A reading as it is sent: what was entered, never what was made of it. The server works the value out again. */
export const newReadingSchema = z.object({
  visitId: idSchema,
  componentId: idSchema,
  kind: z.string().max(60),
  point: z.enum(POINTS, { error: 'is no point of any part' }),
  method: z.string().max(40),
  inputs: z.record(
    z.string().max(40),
    z.union([z.number(), z.string().max(40)], { error: 'must be a number or one of the choices' }),
  ),
  takenAt: momentSchema,
  conditions: conditionsSchema.default({}),
  /** True when an implausible value was asked about and confirmed. */
  confirmed: z.boolean().default(false),
  note: z.string().trim().max(500, 'at most 500 characters').optional(),
  /** The reading this one corrects. */
  supersedes: idSchema.optional(),
});
export type NewReading = z.infer<typeof newReadingSchema>;

/** A reading as it is kept. */
export const readingSchema = z.object({
  id: idSchema,
  visitId: idSchema,
  componentId: idSchema,
  kind: z.string(),
  point: z.enum(POINTS),
  method: z.string(),
  inputs: z.record(z.string(), z.union([z.number(), z.string()])),
  value: z.number().nullable(),
  finding: z.string().nullable(),
  takenAt: momentSchema,
  conditions: conditionsSchema,
  confirmed: z.boolean(),
  note: z.string().nullable(),
  personInitials: z.string(),
  supersedes: idSchema.nullable(),
  superseded: z.boolean(),
});
export type ReadingView = z.infer<typeof readingSchema>;
