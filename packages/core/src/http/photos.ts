import { z } from 'zod';
import { textIfAny, textOrNull } from '../quantity/text.ts';
import { givenMomentSchema, idSchema, momentSchema } from './common.ts';

/** What a photo is of. */
export const PHOTO_SUBJECTS = ['plate', 'wiring', 'damage', 'reading', 'other'] as const;
/** The largest photo taken, bytes: a phone's camera makes 3 to 6 MB. */
export const MOST_PHOTO_BYTES = 12 * 1024 * 1024;

export const photoQuerySchema = z.object({
  systemId: idSchema,
  visitId: idSchema.optional(),
  componentId: idSchema.optional(),
  /** The reading whose meter or finding it shows. */
  readingId: idSchema.optional(),
  subject: z.enum(PHOTO_SUBJECTS, { error: 'is none of plate, wiring, damage, reading, other' }),
  note: textIfAny(200),
  takenAt: givenMomentSchema,
});
export type PhotoQuery = z.infer<typeof photoQuerySchema>;

export const photoSchema = z.object({
  id: idSchema,
  visitId: idSchema.nullable(),
  componentId: idSchema.nullable(),
  readingId: idSchema.nullable().default(null),
  subject: z.enum(PHOTO_SUBJECTS),
  note: textOrNull(200),
  takenAt: momentSchema,
  width: z.number().int(),
  height: z.number().int(),
});
export type PhotoView = z.infer<typeof photoSchema>;
