import { z } from 'zod';
import { fleetPriorSchema } from '../series/prior-schema.ts';
import { policySchema } from '../verdict/policy.ts';
import { idSchema, momentSchema } from './common.ts';
import { meterInUseSchema } from './meters.ts';
import { refrigerantSchema } from './refrigerants.ts';

/** Who is working, for which firm, by which policy. */
export const sessionSchema = z.object({
  firm: z.object({
    id: idSchema,
    name: z.string(),
    /** Time zone of its days. */
    zone: z.string(),
    policy: policySchema,
    /** What the firm’s own fleet has taught; null before it was asked. */
    prior: fleetPriorSchema.nullable(),
  }),
  /** Pressure–temperature tables the firm has loaded. */
  refrigerants: z.array(refrigerantSchema),
  /** Instruments in use. */
  meters: z.array(meterInUseSchema),
  person: z.object({ id: idSchema, name: z.string(), initials: z.string() }),
  now: momentSchema,
});
export type Session = z.infer<typeof sessionSchema>;
