import { z } from 'zod';
import { line } from '../quantity/text.ts';
import { refrigerantName } from '../trade/refrigerant/known-refrigerants.ts';
import type { PressureTables } from '../trade/refrigerant/pressure-table.ts';

/** The name of a refrigerant as a table is kept by: "R-438A". */
export const refrigerantNameSchema = z
  .string()
  .trim()
  .min(2, 'which refrigerant?')
  .max(20, 'at most 20 characters')
  .regex(/^[\w-]+( [\w-]+)*$/, 'letters, digits and hyphens only')
  .transform(refrigerantName);

const sourceSchema = line(200, 'the source', 'where do the figures come from?');

/** A supplier's table as it is loaded: the CSV file's text, and where it comes from. */
export const newRefrigerantSchema = z.object({
  csv: z.string().min(1, 'the file is empty').max(200_000, 'at most 200 000 characters'),
  estimate: z.boolean().default(false),
  source: sourceSchema,
});
export type NewRefrigerant = z.infer<typeof newRefrigerantSchema>;

export const refrigerantSchema = z.object({
  name: z.string().min(2).max(20),
  estimate: z.boolean(),
  source: sourceSchema,
  points: z.array(z.object({ fahrenheit: z.number(), bubblePsig: z.number(), dewPsig: z.number() })),
});
export type RefrigerantView = z.infer<typeof refrigerantSchema>;

/** The firm's tables in the form the trade functions take. */
export const tablesOf = (refrigerants: readonly RefrigerantView[]): PressureTables =>
  Object.fromEntries(refrigerants.map(({ name, ...table }) => [name, table]));
