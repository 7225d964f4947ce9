import { z } from 'zod';
import { line, text, textIfAny, textOrNull } from '../quantity/text.ts';
import { geoPlaceSchema } from './places.ts';
import { COMPONENT_KINDS, SLOTS } from '../equipment/component.ts';
import { givenPlateSchema } from '../equipment/given-plate.ts';
import { FUSE_AMPS, MOST_WIRES_OF_PART, plateSchema, systemKindSchema, wireNoteSchema } from '../equipment/plate.ts';
import { SCHOOL_IDS } from '../verdict/schools.ts';
import { STANDINGS } from '../verdict/standing.ts';
import { dateSchema, idSchema } from './common.ts';
import { eventSchema } from './events.ts';
import { photoSchema } from './photos.ts';
import { readingSchema } from './readings.ts';
import { followUpSchema, looseEndSchema } from './rounds.ts';
import { visitSchema } from './visits.ts';

/** What a school is set to: one of its options, or figures in its unit. */
const settingSchema = z.union([z.string().max(20), z.array(z.number()).min(1).max(2)]);

const componentPlateSchema = z.object({
  rating: text(60).optional(),
  /** Of a fuse, as it says itself. */
  amps: z
    .number({ error: 'must be a number in A' })
    .min(FUSE_AMPS[0], `at least ${FUSE_AMPS[0]} A`)
    .max(FUSE_AMPS[1], `at most ${FUSE_AMPS[1]} A`)
    .optional(),
});

/** Whose a system is, and where: as it is given, kept and told. */
export const customerNameSchema = line(80, 'the customer’s name');
export const addressSchema = line(120, 'the address');
export const areaSchema = textOrNull(40);

/** A new system: who, where, what kind, its plate, and the ids the client made for its parts. */
export const newSystemSchema = z.object({
  customerId: idSchema,
  customerName: customerNameSchema,
  address: addressSchema,
  area: textIfAny(40),
  kind: systemKindSchema,
  plate: givenPlateSchema,
  installedOn: dateSchema.optional(),
  components: z.array(z.object({ id: idSchema, slot: z.enum(SLOTS) })).max(40),
});
export type NewSystem = z.infer<typeof newSystemSchema>;

/** A plate read better later: the whole of it, and the ids of the parts it adds. */
export const newPlateSchema = z.object({
  plate: givenPlateSchema,
  components: z.array(z.object({ id: idSchema, slot: z.enum(SLOTS) })).max(40),
});
export type NewPlate = z.infer<typeof newPlateSchema>;

/** One life of a part. */
export const componentSchema = z.object({
  id: idSchema,
  slot: z.enum(SLOTS),
  kind: z.enum(COMPONENT_KINDS),
  plate: componentPlateSchema.extend({ schools: z.partialRecord(z.enum(SCHOOL_IDS), settingSchema).optional() }),
  fittedOn: dateSchema.nullable(),
  removedOn: dateSchema.nullable(),
  removedReason: textOrNull(200),
  replaces: idSchema.nullable(),
  standing: z.enum(STANDINGS),
});
export type ComponentView = z.infer<typeof componentSchema>;

/** A part fitted in place of another, with what its label says. */
export const fittedPartSchema = z.object({
  replaces: idSchema,
  fittedOn: dateSchema,
  plate: componentPlateSchema,
  /** Why the old one came out. */
  reason: line(200, 'the reason'),
  visitId: idSchema.optional(),
  /** Why a part that the replacement rule refuses was fitted all the same. */
  overruledBecause: textIfAny(200),
});
export type FittedPart = z.infer<typeof fittedPartSchema>;

/** The wires of one part, by its name, as they are noted before they come off: in place of what was noted of it before. */
export const newWiresSchema = z.object({
  on: line(40, 'the part'),
  wires: z
    .array(wireNoteSchema.omit({ on: true }))
    .max(MOST_WIRES_OF_PART, `at most ${MOST_WIRES_OF_PART} wires on a part`),
});
export type NewWires = z.infer<typeof newWiresSchema>;

/** One school that a part is judged by in place of the firm's; null for the firm's again. */
export const partSchoolSchema = z.object({ school: z.enum(SCHOOL_IDS), setting: settingSchema.nullable() });
export type PartSchool = z.infer<typeof partSchoolSchema>;

export const systemSummarySchema = z.object({
  id: idSchema,
  customerName: customerNameSchema,
  address: addressSchema,
  area: areaSchema,
  kind: systemKindSchema,
  standing: z.enum(STANDINGS),
  lastVisitOn: dateSchema.nullable(),
});
export type SystemsQuery = z.infer<typeof systemsQuerySchema>;
export type SystemSummary = z.infer<typeof systemSummarySchema>;

/** What the list of systems can be sorted by; ":desc" turns it round. */
export const SYSTEM_SORTS = ['address', 'customerName', 'kind', 'area', 'lastVisitOn', 'standing'] as const;

export const systemsQuerySchema = z.object({
  search: text(80).optional(),
  sort: z.enum(SYSTEM_SORTS.flatMap((by) => [by, `${by}:desc` as const])).default('address'),
  limit: z.coerce.number().int().min(1).max(200).default(100),
  offset: z.coerce.number().int().min(0).max(100_000).default(0),
});

export const systemsPageSchema = z.object({ total: z.number().int(), systems: z.array(systemSummarySchema) });

/** A system with everything its screens need; the browser judges from this. */
export const systemDetailSchema = z.object({
  id: idSchema,
  customerName: customerNameSchema,
  address: addressSchema,
  area: areaSchema,
  kind: systemKindSchema,
  plate: plateSchema,
  installedOn: dateSchema.nullable(),
  place: geoPlaceSchema.nullable().default(null),
  /** Time zone that its days are of: the firm's. */
  zone: z.string().default('UTC'),
  components: z.array(componentSchema),
  visits: z.array(visitSchema),
  readings: z.array(readingSchema),
  followUps: z.array(followUpSchema),
  looseEnds: z.array(looseEndSchema),
  photos: z.array(photoSchema),
  events: z.array(eventSchema),
});
export type SystemDetail = z.infer<typeof systemDetailSchema>;
