import { z } from 'zod';
import { SYSTEM_KINDS } from './system-kind.ts';

const words = (max: number) => z.string().trim().max(max, `at most ${max} characters`).optional();
const amount = (low: number, high: number, unit: string) =>
  z
    .number({ error: `must be a number in ${unit}` })
    .min(low, `at least ${low} ${unit}`)
    .max(high, `at most ${high} ${unit}`)
    .optional();

/**
 * What a system's plates say, as far as they could be read: every figure may be missing, and each missing one costs
 * only the verdicts that rest on it. Amps in A, charge in oz, capacity in nominal tons.
 */
export const plateSchema = z.object({
  make: words(60),
  model: words(60),
  serial: words(60),
  year: z.number({ error: 'must be a year' }).int('a whole year').min(1960, '1960 or later').max(2100).optional(),
  refrigerant: words(20),
  tons: amount(0.5, 20, 'tons'),
  volts: z.enum(['208/230', '230', '208', '115']).optional(),
  hertz: z.union([z.literal(60), z.literal(50)]).optional(),
  compressorRla: amount(0.5, 200, 'A'),
  compressorLra: amount(2, 1000, 'A'),
  outdoorFanFla: amount(0.1, 30, 'A'),
  blowerFla: amount(0.1, 50, 'A'),
  blowerMotor: z.enum(['psc', 'ecm']).optional(),
  mca: amount(1, 300, 'A'),
  mocp: amount(5, 400, 'A'),
  capacitorRating: words(60),
  fanCapacitorRating: words(60),
});

/** A plate as read; see plateSchema. */
export type Plate = z.infer<typeof plateSchema>;

export const systemKindSchema = z.enum(SYSTEM_KINDS);

/** Mains frequency of a plate, Hz; 60 when the plate does not say. */
export const hertzOf = (plate: Plate): 50 | 60 => plate.hertz ?? 60;

/**
 * The supply voltage a plate's volts stand for, V: 240 for "208/230" and "230" plates, 208 and 120 for theirs.
 * A plate that could not be read counts as 240, the usual residential supply (common practice, no source).
 */
export function nominalVoltsOf(plate: Plate): 240 | 208 | 120 {
  if (plate.volts === '115') return 120;
  return plate.volts === '208' ? 208 : 240;
}
