import { z } from 'zod';

/** Where something is, degrees north and east. */
export const geoPlaceSchema = z.object({
  lat: z.number().min(-90, 'is no latitude').max(90, 'is no latitude'),
  lng: z.number().min(-180, 'is no longitude').max(180, 'is no longitude'),
});

/** From when to when somebody was promised to, minutes from midnight. */
export const windowSchema = z
  .object({ from: z.number().int().min(0).max(1440), to: z.number().int().min(0).max(1440) })
  .refine(({ from, to }) => from < to, { error: 'ends before it begins', path: ['to'] });

/** Where a system is; null takes it back. */
export const systemPlaceSchema = z.object({ place: geoPlaceSchema.nullable() });
