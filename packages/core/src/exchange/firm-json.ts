import { z } from 'zod';
import { idSchema, momentSchema } from '../http/common.ts';
import { systemDetailSchema } from '../http/systems.ts';

/** The name of this form of a file; another form will have another. */
export const EXPORT_FORM = 'yarnix-export-1';

/** A firm, or one system of it, as a file: all that is known of each system, in the order of their ids. */
export const firmExportSchema = z.object({
  form: z.literal(EXPORT_FORM),
  exportedAt: momentSchema,
  firm: z.object({ id: idSchema, name: z.string() }),
  systems: z.array(systemDetailSchema),
});
