import { z } from 'zod';
import { systemKindSchema } from '../equipment/plate.ts';
import { idSchema, momentSchema } from './common.ts';

/** Which comes first in a date of a spreadsheet. */
export const DATE_ORDERS = ['ymd', 'mdy', 'dmy'] as const;
export type DateOrder = (typeof DATE_ORDERS)[number];

/** What stands before the fraction of a number. */
export const DECIMALS = ['.', ','] as const;
export type Decimal = (typeof DECIMALS)[number];

/** Figures of a plate that a column can hold, beside those in words. */
export const PLATE_NUMBERS = [
  'compressorRla',
  'compressorLra',
  'outdoorFanFla',
  'blowerFla',
  'mca',
  'mocp',
  'controlFuseAmps',
  'factoryChargeOz',
  'targetSubcoolingF',
  'tons',
  'year',
  'heatKilowatts',
  'heatCircuits',
  'heatElements',
] as const;
export const PLATE_WORDS = [
  'capacitorRating',
  'fanCapacitorRating',
  'startCapacitorRating',
  'blowerCapacitorRating',
  'refrigerant',
  'make',
  'model',
  'serial',
] as const;
export type PlateColumn = (typeof PLATE_NUMBERS)[number] | (typeof PLATE_WORDS)[number];

/** What a column holds that is neither a reading nor of the plate. */
export const PLAIN_USES = [
  'nothing',
  'date',
  'time',
  'address',
  'customer',
  'area',
  'system',
  'system-kind',
  'installed',
  'technician',
  'note',
  'outdoor',
  'running',
  'what',
  'value',
  'unit',
] as const;
export type PlainUse = (typeof PLAIN_USES)[number];

const unitName = z.string().trim().max(20, 'at most 20 characters');

/** What one column is for. A unit is how the column writes it; empty where each cell says it or it is the usual one. */
export const columnUseSchema = z.discriminatedUnion('use', [
  z.object({ use: z.enum(PLAIN_USES), unit: unitName.optional() }),
  z.object({ use: z.literal('measure'), measure: z.string().max(60), unit: unitName.optional() }),
  z.object({ use: z.literal('plate'), field: z.enum([...PLATE_NUMBERS, ...PLATE_WORDS]) }),
]);
export type ColumnUse = z.infer<typeof columnUseSchema>;

const isZone = (zone: string): boolean => {
  try {
    return new Intl.DateTimeFormat('en-US', { timeZone: zone }).resolvedOptions().timeZone !== '';
  } catch {
    return false;
  }
};

/** A time zone by its name, as "America/Chicago". */
export const zoneSchema = z.string().max(60).refine(isZone, { error: 'is no time zone' });

/** How a spreadsheet is read. */
export const sheetMappingSchema = z.object({
  /** `own`: a file of readings as this app writes it; its columns are known by name. */
  form: z.enum(['sheet', 'own']),
  columns: z.array(columnUseSchema).max(300),
  /** Of a file with one reading a row: what each text of its column of kinds stands for; null for what stays out. */
  whats: z
    .record(z.string().max(120), z.object({ measure: z.string().max(60), unit: unitName.optional() }).nullable())
    .default({}),
  dateOrder: z.enum(DATE_ORDERS),
  decimal: z.enum(DECIMALS),
  /** Time zone of its times. */
  zone: zoneSchema,
  /** What systems that are not there yet are entered as, where no column says; null: their rows are refused. */
  newSystems: systemKindSchema.nullable(),
});
export type SheetMapping = z.infer<typeof sheetMappingSchema>;

export const IMPORT_STATES = [
  'to-map',
  'checking',
  'checked',
  'importing',
  'imported',
  'undoing',
  'undone',
  'failed',
] as const;
export type ImportState = (typeof IMPORT_STATES)[number];

/** What would become of a row: it comes in, it comes in only when it is chosen, or it cannot. */
export const ROW_OUTCOMES = ['comes', 'questioned', 'refused'] as const;
export type RowOutcome = (typeof ROW_OUTCOMES)[number];

const outcomeCountsSchema = z.object({
  comes: z.number().int(),
  questioned: z.number().int(),
  refused: z.number().int(),
});

/** An import of a firm's past from a spreadsheet, as far as it is. */
export const importSchema = z.object({
  id: idSchema,
  /** Name of the file. */
  name: z.string(),
  askedAt: momentSchema,
  endedAt: momentSchema.nullable(),
  state: z.enum(IMPORT_STATES),
  /** True when it was asked to stop and has not yet. */
  stopping: z.boolean(),
  /** Of what it is doing: how much is done, of how much. */
  done: z.number().int(),
  total: z.number().int(),
  rows: z.number().int(),
  outcomes: outcomeCountsSchema.nullable(),
  /** Rows that are to come in. */
  chosen: z.number().int(),
  /** What came in, or what an undo left there because something else rests on it by now. */
  readings: z.number().int(),
  systems: z.number().int(),
  error: z.string().nullable(),
});
export type ImportView = z.infer<typeof importSchema>;

export const importsSchema = z.object({ imports: z.array(importSchema) });

/** An import with what is needed to say what its columns are. */
export const importDetailSchema = importSchema.extend({
  headers: z.array(z.string()),
  sample: z.array(z.array(z.string())),
  /** Texts of the column of kinds, where it has one. */
  whats: z.array(z.string()),
  mapping: sheetMappingSchema,
  /** The profile the mapping was taken from; null when it was made out from the names. */
  profile: z.string().nullable(),
});
export type ImportDetail = z.infer<typeof importDetailSchema>;

/** How its columns are to be read; kept under a name for the next file of the kind, where one is given. */
export const importMappingSchema = z.object({
  mapping: sheetMappingSchema,
  profile: z.string().trim().min(1, 'a name').max(60, 'at most 60 characters').optional(),
});

export const IMPORT_WISHES = ['import', 'stop', 'undo'] as const;
export const importWishSchema = z.object({ wish: z.enum(IMPORT_WISHES) });

/** Which rows are to come in: all of an outcome, or some by their lines. */
export const importChoiceSchema = z.union([
  z.object({ outcome: z.enum(['comes', 'questioned']), chosen: z.boolean() }),
  z.object({ lines: z.array(z.number().int().min(1)).min(1).max(2000), chosen: z.boolean() }),
]);
export type ImportChoice = z.infer<typeof importChoiceSchema>;

export const importRowsQuerySchema = z.object({
  outcome: z.enum(ROW_OUTCOMES).optional(),
  after: z.coerce.number().int().min(0).default(0),
  limit: z.coerce.number().int().min(1).max(500).default(100),
});
export type ImportRowsQuery = z.infer<typeof importRowsQuerySchema>;

export const importRowSchema = z.object({
  /** Line of the file, its head being the first. */
  line: z.number().int(),
  outcome: z.enum(ROW_OUTCOMES),
  chosen: z.boolean(),
  cells: z.array(z.string()),
  /** What is asked, left out or refused, in words. */
  why: z.array(z.string()),
  /** Readings that come with it. */
  readings: z.number().int(),
});
export type ImportRow = z.infer<typeof importRowSchema>;
export const importRowsSchema = z.object({ rows: z.array(importRowSchema) });
