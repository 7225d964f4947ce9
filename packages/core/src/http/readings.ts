import { z } from 'zod';
import { POINTS } from '../equipment/component.ts';
import { givenMomentSchema, idSchema, momentSchema } from './common.ts';
import { readWithSchema } from './meters.ts';
import { STANDINGS } from '../verdict/standing.ts';
import { conditionsSchema } from '../readings/contract/conditions.ts';

/** What a probe's value was taken from: the window's samples, its length in s, and its spread in the input's unit. */
export const probeWindowSchema = z.object({
  samples: z.number().int().min(1).max(10_000),
  seconds: z.number().min(0).max(3600),
  spread: z.number().min(0),
});
export type ProbeWindow = z.infer<typeof probeWindowSchema>;

/** A reading as it is sent: what was entered, never what was made of it. The server works the value out again. */
export const newReadingSchema = z.object({
  visitId: idSchema,
  componentId: idSchema,
  kind: z.string().max(60),
  point: z.enum(POINTS, { error: 'is no point of any part' }),
  method: z.string().max(40),
  inputs: z.record(
    z.string().max(40),
    z.union([z.number(), z.string().max(200), z.array(z.string().max(60)).max(20)], {
      error: 'must be a number or one of the choices',
    }),
  ),
  takenAt: givenMomentSchema,
  conditions: conditionsSchema.default({}),
  /** True when an implausible value was asked about and confirmed. */
  confirmed: z.boolean().default(false),
  note: z.string().trim().max(500, 'at most 500 characters').optional(),
  /** The reading this one corrects. */
  supersedes: idSchema.optional(),
  /** For inputs taken from a probe: what each was taken from. */
  probes: z.record(z.string().max(40), probeWindowSchema).optional(),
  /** What it was taken with, where that is not the person's own instrument of the kind. */
  instruments: readWithSchema.optional(),
});
export type NewReading = z.infer<typeof newReadingSchema>;

/** What a technician puts in place of a reading's verdict, or takes back. */
export const newRulingSchema = z.object({
  standing: z.enum(['sound', 'watch', 'act', 'stop'], { error: 'is no verdict' }),
  why: z.string().trim().min(1, 'why?').max(300, 'at most 300 characters'),
  withdrawn: z.boolean().default(false),
});
export type NewRuling = z.infer<typeof newRulingSchema>;

const rulingSchema = z.object({ standing: z.enum(STANDINGS), why: z.string(), by: z.string() });

/** A reading as it is kept. */
export const readingSchema = z.object({
  id: idSchema,
  visitId: idSchema,
  componentId: idSchema,
  kind: z.string(),
  point: z.enum(POINTS),
  method: z.string(),
  inputs: z.record(z.string(), z.union([z.number(), z.string(), z.array(z.string())])),
  value: z.number().nullable(),
  findings: z.array(z.string()),
  takenAt: momentSchema,
  conditions: conditionsSchema,
  confirmed: z.boolean(),
  note: z.string().nullable(),
  personInitials: z.string(),
  supersedes: idSchema.nullable(),
  superseded: z.boolean(),
  probes: z.record(z.string(), probeWindowSchema).nullable(),
  ruling: rulingSchema.nullable(),
  /** By kind of instrument; a person's id for what was read before instruments were kept. */
  instrument: z.union([z.string(), readWithSchema]),
});
export type ReadingView = z.infer<typeof readingSchema>;
