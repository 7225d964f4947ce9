import { z } from 'zod';
import { namedForShelf } from '../planning/load-list.ts';
import { dateSchema, idSchema } from './common.ts';

const MOST = 'at most 60 characters';
/** A part by its name on the shelf, however it was typed; small letters can be longer than the capitals they were. */
const part = z
  .string({ error: 'say which part' })
  .trim()
  .min(1, 'say which part')
  .max(60, MOST)
  .transform(namedForShelf)
  .refine((name) => name.length <= 60, MOST);

/** How many of a part are in somebody's van now. */
export const newStockSchema = z.object({
  part,
  count: z.number().int().min(0, 'not below none').max(999, 'at most 999'),
});
export type NewStock = z.infer<typeof newStockSchema>;

const aboard = z.object({ part: z.string(), count: z.number().int() });

/** A person's van for a day: what to load, and what is aboard. */
export const vanSchema = z.object({
  person: z.object({ id: idSchema, name: z.string() }),
  day: dateSchema,
  systems: z.number().int(),
  load: z.array(
    z.object({
      part: z.string(),
      need: z.number().int(),
      aboard: z.number().int(),
      standsIn: z.array(aboard),
      toLoad: z.number().int(),
      wanted: z.array(z.object({ part: z.string(), address: z.string(), chance: z.number(), planned: z.boolean() })),
    }),
  ),
  stock: z.array(aboard),
});
export type Van = z.infer<typeof vanSchema>;
