import { z } from 'zod';
import { line, text, textIfAny, textOrNull } from '../quantity/text.ts';
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

/** As many figures as the reading with the most of them asks for, and more. */
const MOST_INPUTS = 40;

/** What was entered, by the input's name; as it is sent, kept and told. */
const inputsSchema = z
  .record(
    z.string().max(40),
    z.union([z.number(), z.string().max(200), z.array(z.string().max(60)).max(20)], {
      error: 'must be a number or one of the choices',
    }),
  )
  .refine((inputs) => Object.keys(inputs).length <= MOST_INPUTS, `at most ${MOST_INPUTS} of them`);

const probesSchema = z
  .record(z.string().max(40), probeWindowSchema)
  .refine((probes) => Object.keys(probes).length <= MOST_INPUTS, `at most ${MOST_INPUTS} of them`);

/** A reading as it is sent: what was entered, never what was made of it. The server works the value out again. */
export const newReadingSchema = z.object({
  visitId: idSchema,
  componentId: idSchema,
  kind: z.string().max(60),
  point: z.enum(POINTS, { error: 'is no point of any part' }),
  method: z.string().max(40),
  inputs: inputsSchema,
  takenAt: givenMomentSchema,
  conditions: conditionsSchema.default({}),
  /** True when an implausible value was asked about and confirmed. */
  confirmed: z.boolean().default(false),
  note: textIfAny(500),
  /** The reading this one corrects. */
  supersedes: idSchema.optional(),
  /** For inputs taken from a probe: what each was taken from. */
  probes: probesSchema.optional(),
  /** What it was taken with, where that is not the person's own instrument of the kind. */
  instruments: readWithSchema.optional(),
});
export type NewReading = z.infer<typeof newReadingSchema>;

/** What a technician puts in place of a reading's verdict, or takes back. */
export const newRulingSchema = z.object({
  standing: z.enum(['sound', 'watch', 'act', 'stop'], { error: 'is no verdict' }),
  why: line(300, 'the reason', 'why?'),
  withdrawn: z.boolean().default(false),
});
export type NewRuling = z.infer<typeof newRulingSchema>;

const rulingSchema = z.object({ standing: z.enum(STANDINGS), why: line(300, 'the reason', 'why?'), by: text(10) });

/** A reading as it is kept. */
export const readingSchema = z.object({
  id: idSchema,
  visitId: idSchema,
  componentId: idSchema,
  kind: z.string().max(60),
  point: z.enum(POINTS),
  method: z.string().max(40),
  inputs: inputsSchema,
  value: z.number().nullable(),
  findings: z.array(z.string().max(60)).max(20),
  takenAt: momentSchema,
  conditions: conditionsSchema,
  confirmed: z.boolean(),
  note: textOrNull(500),
  personInitials: text(10),
  supersedes: idSchema.nullable(),
  superseded: z.boolean(),
  probes: probesSchema.nullable(),
  ruling: rulingSchema.nullable(),
  /** By kind of instrument; a person's id for what was read before instruments were kept. */
  instrument: z.union([idSchema, readWithSchema]),
});
export type ReadingView = z.infer<typeof readingSchema>;
