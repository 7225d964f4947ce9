import { z } from 'zod';
import { textIfAny, textOrNull } from '../quantity/text.ts';
import { systemKindSchema } from '../equipment/plate.ts';
import { SEASONS } from '../quantity/season.ts';
import { callSchema } from './calls.ts';
import { givenMomentSchema, idSchema, momentSchema } from './common.ts';

/** A season as a device sends it; those that were last loaded before it was called fall call it autumn. */
export const givenSeasonSchema = z
  .enum([...SEASONS, 'autumn'])
  .transform((season) => (season === 'autumn' ? ('fall' as const) : season));

export const newVisitSchema = z.object({
  systemId: idSchema,
  startedAt: givenMomentSchema,
  /** Which half of the year's work it is; by its date when left out. */
  season: givenSeasonSchema.optional(),
});
export type NewVisit = z.infer<typeof newVisitSchema>;

/** The end of a round. The note has room for what was written, and for why each repair was left unproved. */
export const closingSchema = z.object({ closedAt: givenMomentSchema, note: textIfAny(6000) });
export type Closing = z.infer<typeof closingSchema>;

export const visitSchema = z.object({
  id: idSchema,
  systemId: idSchema,
  season: z.enum(SEASONS),
  startedAt: momentSchema,
  closedAt: momentSchema.nullable(),
  note: textOrNull(6000),
  personName: z.string(),
  /** What it is about, where it is a call or became one; null on a round. */
  call: callSchema.nullable().default(null),
});
export type VisitView = z.infer<typeof visitSchema>;

export const visitLineSchema = visitSchema.extend({
  address: z.string(),
  customerName: z.string(),
  systemKind: systemKindSchema,
  readings: z.number().int(),
});
export type VisitLine = z.infer<typeof visitLineSchema>;

export const visitsPageSchema = z.object({ open: z.array(visitLineSchema), closed: z.array(visitLineSchema) });
