import { z } from 'zod';
import { dateSchema, idSchema, momentSchema } from '../http/common.ts';
import { newMeterCheckSchema } from '../http/meters.ts';
import { refrigerantSchema } from '../http/refrigerants.ts';
import { systemDetailSchema } from '../http/systems.ts';
import { INSTRUMENT_KINDS } from '../readings/contract/quantities.ts';
import { policySchema } from '../verdict/policy.ts';

/** The name of this form of a file; another form will have another. */
export const EXPORT_FORM = 'yarnix-export-1';

/** A system with what its screens need not know: whose it is, and who did what. */
export const exportedSystemSchema = systemDetailSchema.extend({
  customerId: idSchema,
  /**
   * Who did what, by its id: of every visit, photo and repair; of a reading only where it was not whoever made the visit.
   */
  by: z.record(idSchema, idSchema),
});
export type ExportedSystem = z.infer<typeof exportedSystemSchema>;

/** What a firm's systems rest on: its people, their meters and checks, its tables, and the schools it judges by. */
export const exportedFirmSchema = z.object({
  form: z.literal(EXPORT_FORM),
  exportedAt: momentSchema,
  firm: z.object({ id: idSchema, name: z.string() }),
  policy: policySchema,
  /** Those who did something that is in it, or whose meters are. */
  people: z.array(z.object({ id: idSchema, name: z.string(), initials: z.string() })),
  meters: z.array(
    z.object({
      id: idSchema,
      personId: idSchema.nullable(),
      kind: z.enum(INSTRUMENT_KINDS),
      name: z.string(),
      since: dateSchema,
      until: dateSchema.nullable(),
    }),
  ),
  checks: z.array(
    newMeterCheckSchema.extend({ id: idSchema, meterId: idSchema, personId: idSchema, takenAt: momentSchema }),
  ),
  refrigerants: z.array(refrigerantSchema),
});
export type ExportedFirm = z.infer<typeof exportedFirmSchema>;

/** A firm, or one system of it, as a file: all that is known of each system, in the order of their ids. */
export const firmExportSchema = exportedFirmSchema.extend({ systems: z.array(exportedSystemSchema) });

/** What came back from such a file. */
export const restoredSchema = z.object({
  systems: z.number().int(),
  readings: z.number().int(),
  photos: z.number().int(),
});
export type Restored = z.infer<typeof restoredSchema>;
