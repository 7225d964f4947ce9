import { z } from 'zod';

const share = z.number().min(0).max(1);
const spread = z.number().positive();

/** What one class of threads has taught. A figure that is none (NaN, infinite, null) makes the whole of it unreadable. */
export const threadPriorSchema = z.object({
  classes: z.array(z.object({ share, mean: z.number(), sd: spread, wander: z.number().min(0) })).min(1),
  scatter: z.array(z.object({ share, factor: spread })).min(1),
  asFitted: z.object({ mean: z.number(), sd: spread }).nullable(),
  oddChance: share,
  stepChance: share,
  towards: z.union([z.literal(-1), z.literal(0), z.literal(1)]),
  threads: z.number().min(0),
});

/** A firm's prior by class of thread. */
export const fleetPriorSchema = z.record(z.string(), threadPriorSchema);

/**
 * The classes of a kept or learned prior that can be read, and the names of those that cannot: one that is broken costs
 * its own threads their prior (they start from the kind's figures again) and nobody else anything.
 */
export function fleetPriorFrom(stored: unknown): { prior: z.infer<typeof fleetPriorSchema>; broken: string[] } {
  const classes = Object.entries(typeof stored === 'object' && stored !== null ? stored : {});
  const read = classes.map(([name, held]) => ({ name, held: threadPriorSchema.safeParse(held) }));
  return {
    prior: Object.fromEntries(read.flatMap(({ name, held }) => (held.success ? [[name, held.data] as const] : []))),
    broken: read.filter(({ held }) => !held.success).map(({ name }) => name),
  };
}
