import { z } from 'zod';
import { systemKindSchema } from '../equipment/plate.ts';
import { CEILING, FLOOR } from '../quantity/unit.ts';
import { idSchema, momentSchema } from './common.ts';

/** Outdoor air above this is met nowhere, °F. */
export const OUTDOOR_MOST_F = 140;

/** Outdoor air °F and line volts V, entered once a visit. */
export const conditionsSchema = z.object({
  outdoorF: z
    .number({ error: 'must be a number in °F' })
    .min(FLOOR['°F'], `at least ${FLOOR['°F']} °F`)
    .max(OUTDOOR_MOST_F, `at most ${OUTDOOR_MOST_F} °F`)
    .optional(),
  lineVolts: z.number({ error: 'must be a number in V' }).min(0, 'not below 0 V').max(CEILING.V).optional(),
});

export const newVisitSchema = z.object({ systemId: idSchema, startedAt: momentSchema });
export type NewVisit = z.infer<typeof newVisitSchema>;

export const closingSchema = z.object({ closedAt: momentSchema, note: z.string().trim().max(2000).optional() });
export type Closing = z.infer<typeof closingSchema>;

export const visitSchema = z.object({
  id: idSchema,
  systemId: idSchema,
  season: z.enum(['spring', 'autumn']),
  startedAt: momentSchema,
  closedAt: momentSchema.nullable(),
  note: z.string().nullable(),
  personName: z.string(),
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
