import { z } from 'zod';
import { STANDINGS } from '../verdict/standing.ts';
import { policySchema } from '../verdict/policy.ts';
import { SCHOOL_IDS } from '../verdict/schools.ts';
import { SLOTS } from '../equipment/component.ts';
import { idSchema, momentSchema } from './common.ts';

const revisionSchema = z.number().int().min(0);

/** A change of a firm's schools. */
export const schoolsChangeSchema = z.object({
  id: idSchema,
  at: momentSchema,
  by: z.string(),
  from: policySchema,
  to: policySchema,
  schools: z.array(z.enum(SCHOOL_IDS)),
  /** The change that this one took back. */
  undoes: idSchema.nullable(),
});

/** What a firm judges by now, and how it came to it, the newest change first. */
export const schoolsSchema = z.object({
  policy: policySchema,
  /** Counts the changes: who saves says from which one. */
  revision: revisionSchema,
  changes: z.array(schoolsChangeSchema),
});
export type Schools = z.infer<typeof schoolsSchema>;

export const newSchoolsSchema = z.object({
  policy: policySchema,
  revision: revisionSchema,
  undoes: idSchema.optional(),
});
export type NewSchools = z.infer<typeof newSchoolsSchema>;

/** A part that would stand otherwise. */
export const wouldChangeSchema = z.object({
  systemId: idSchema,
  componentId: idSchema,
  address: z.string(),
  slot: z.enum(SLOTS),
  from: z.enum(STANDINGS),
  to: z.enum(STANDINGS),
});
export type WouldChange = z.infer<typeof wouldChangeSchema>;

export const PREVIEW_STATES = ['queued', 'running', 'done', 'failed'] as const;

/** What other schools would change, worked out off the request path. */
export const previewSchema = z.object({
  id: idSchema,
  state: z.enum(PREVIEW_STATES),
  /** Systems compared, of how many. */
  done: z.number().int(),
  total: z.number().int(),
  parts: z.number().int(),
  /** How many would stand otherwise, and the first of them. */
  changing: z.number().int(),
  changes: z.array(wouldChangeSchema),
});
export type Preview = z.infer<typeof previewSchema>;

export const newPreviewSchema = z.object({ policy: policySchema });
