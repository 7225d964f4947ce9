import { z } from 'zod';
import { SEASONS } from '../quantity/season.ts';
import { POINTS } from '../equipment/component.ts';
import { idSchema } from './common.ts';

/** Where a probe is held, and how the machine has been running. */
export const probeQuerySchema = z.object({
  systemId: idSchema,
  componentId: idSchema,
  kind: z.string().max(60),
  point: z.enum(POINTS, { error: 'is no point of any part' }),
  method: z.string().max(40),
  input: z.string().max(40),
  season: z.enum(SEASONS),
  outdoorF: z.coerce.number().min(-60).max(140).optional(),
  runningSeconds: z.coerce.number().min(0).max(36_000).default(900),
  /** Faults put into the model house, comma-joined. */
  faults: z.string().max(200).optional(),
});
export type ProbeQuery = z.infer<typeof probeQuerySchema>;

/** Faults that can be put into the model house, for practice: id and words. */
export const probeFaultsSchema = z.object({ faults: z.array(z.object({ id: z.string(), label: z.string() })) });

/** One figure of the stream: seconds since the probe was put there, and its value; null is OL. */
export const probeSampleSchema = z.object({ at: z.number(), value: z.number().nullable() });
export type ProbeSample = z.infer<typeof probeSampleSchema>;
