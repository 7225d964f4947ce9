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
  weather: z.object({ mean: z.number(), sd: spread }).optional(),
  threads: z.number().min(0),
});

const figures = z.array(z.number()).min(1);
/** What is known of one meter. */
const meterKnownSchema = z.object({
  days: figures,
  mean: figures,
  sd: figures,
  own: figures,
  readings: z.number().min(0),
  threads: z.number().min(0),
  story: z.enum(['steady', 'going-off', 'stepped']),
  steppedOn: z.number().nullable(),
});
const quantityKnownSchema = z.object({
  spread,
  common: z.number().min(0),
  meters: z.record(z.string(), meterKnownSchema),
});

/** A firm's prior: by class of thread, and of its meters by quantity. */
export const fleetPriorSchema = z.object({
  classes: z.record(z.string(), threadPriorSchema),
  meters: z.record(z.string(), quantityKnownSchema),
});

/**
 * The classes of a kept or learned prior that can be read, and the names of those that cannot: one that is broken costs
 * its own threads their prior (they start from the kind's figures again) and nobody else anything.
 */
export function fleetPriorFrom(stored: unknown): { prior: z.infer<typeof fleetPriorSchema>; broken: string[] } {
  const { classes, meters } = z
    .object({
      classes: z.record(z.string(), z.unknown()).catch({}),
      meters: z.record(z.string(), z.unknown()).catch({}),
    })
    .catch({ classes: {}, meters: {} })
    .parse(stored);
  const read = readable(classes, threadPriorSchema);
  const known = readable(meters, quantityKnownSchema);
  return { prior: { classes: read.whole, meters: known.whole }, broken: [...read.broken, ...known.broken] };
}

function readable<T extends z.ZodType>(all: Record<string, unknown>, schema: T) {
  const read = Object.entries(all).map(([name, held]) => ({ name, held: schema.safeParse(held) }));
  return {
    whole: Object.fromEntries(read.flatMap(({ name, held }) => (held.success ? [[name, held.data] as const] : []))),
    broken: read.filter(({ held }) => !held.success).map(({ name }) => name),
  };
}
