import { z } from 'zod';
import { line, text } from '../quantity/text.ts';
import { dateSchema, idSchema, momentSchema } from '../http/common.ts';
import { decisionNoteSchema, jobKeySchema, jobMinutesSchema, jobTextSchema } from '../http/jobs.ts';
import { newMeterCheckSchema } from '../http/meters.ts';
import { windowSchema } from '../http/places.ts';
import { refrigerantSchema } from '../http/refrigerants.ts';
import { reportHeadSchema } from '../http/reports.ts';
import { systemDetailSchema } from '../http/systems.ts';
import { snoozeReasonSchema } from '../http/watch.ts';
import { planningSchema } from '../http/week.ts';
import { JOB_DECISIONS } from '../planning/decision.ts';
import { INSTRUMENT_KINDS } from '../readings/contract/quantities.ts';
import { policySchema } from '../verdict/policy.ts';

/** The name of this form of a file; another form will have another. */
export const EXPORT_FORM = 'yarnix-export-1';

/** What is to be done on a system, beside what its readings ask for: decisions, notes by hand, parts set aside. */
const plannedOnSystem = {
  decisions: z
    .array(
      z.object({
        key: jobKeySchema,
        decision: z.enum(JOB_DECISIONS),
        note: decisionNoteSchema,
        day: dateSchema.nullable(),
        personId: idSchema.nullable(),
        window: windowSchema.nullable(),
        /** How bad what it is about stood then, 0 to 5. */
        severity: z.number().int().min(0).max(5),
        version: z.number().int().min(1),
        by: idSchema,
        at: momentSchema,
      }),
    )
    .default([]),
  byHand: z
    .array(
      z.object({
        id: idSchema,
        by: idSchema,
        text: jobTextSchema,
        byWhen: dateSchema,
        minutes: jobMinutesSchema,
        at: momentSchema,
      }),
    )
    .default([]),
  setAside: z
    .array(
      z.object({
        componentId: idSchema,
        by: idSchema,
        until: dateSchema,
        reason: snoozeReasonSchema,
        at: momentSchema,
      }),
    )
    .default([]),
};

/** A system without what is the firm's, and with what its screens need not know: whose it is, who did what, and what was decided of it. */
export const exportedSystemSchema = systemDetailSchema.omit({ zone: true }).extend({
  customerId: idSchema,
  /**
   * Who did what, by its id: of every visit, photo and repair; of a reading only where it was not whoever made the visit.
   */
  by: z.record(idSchema, idSchema),
  ...plannedOnSystem,
});
export type ExportedSystem = z.infer<typeof exportedSystemSchema>;

/**
 * What a firm's systems rest on: its people, their meters and checks, its tables, the schools it judges by, and how it plans.
 * What a file of this form lacked once is filled in as if there were none of it.
 */
export const exportedFirmSchema = z.object({
  form: z.literal(EXPORT_FORM),
  exportedAt: momentSchema,
  firm: z.object({ id: idSchema, name: line(120, 'the firm’s name') }),
  policy: policySchema,
  /** Those who did something that is in it, or whose meters are. */
  people: z.array(z.object({ id: idSchema, name: line(80, 'the name'), initials: text(10) })),
  meters: z.array(
    z.object({
      id: idSchema,
      personId: idSchema.nullable(),
      kind: z.enum(INSTRUMENT_KINDS),
      name: line(60, 'its name'),
      since: dateSchema,
      until: dateSchema.nullable(),
    }),
  ),
  checks: z.array(
    newMeterCheckSchema.extend({ id: idSchema, meterId: idSchema, personId: idSchema, takenAt: momentSchema }),
  ),
  refrigerants: z.array(refrigerantSchema),
  planning: planningSchema.nullable().default(null),
  reportHead: reportHeadSchema.nullable().default(null),
  /** In which order a person goes to the systems of a day, where somebody put them in one. */
  dayOrders: z.array(z.object({ personId: idSchema, day: dateSchema, systems: z.array(idSchema) })).default([]),
  /** What is in somebody's van, by its name on the shelf. */
  vans: z
    .array(z.object({ personId: idSchema, part: line(60, 'the part'), count: z.number().int().min(0).max(999) }))
    .default([]),
});
export type ExportedFirm = z.infer<typeof exportedFirmSchema>;

/** A firm, or one system of it, as a file: all that is known of each system, in the order of their ids. */
export const firmExportSchema = exportedFirmSchema.extend({ systems: z.array(exportedSystemSchema) });
