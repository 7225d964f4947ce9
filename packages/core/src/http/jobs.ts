import { z } from 'zod';
import { line, text, textIfAny } from '../quantity/text.ts';
import { POINTS, SLOTS } from '../equipment/component.ts';
import { systemKindSchema } from '../equipment/plate.ts';
import { JOB_DECISIONS, JOB_SOURCES } from '../planning/decision.ts';
import { JOB_BEFORES, JOB_DOES } from '../planning/job.ts';
import { PUT_OFF_CODES } from '../round/put-off.ts';
import { becauseSchema } from '../verdict/reasons.ts';
import { STANDINGS } from '../verdict/standing.ts';
import { windowSchema } from './places.ts';
import { dateSchema, idSchema, momentSchema } from './common.ts';

/** A job's source, and the id of what it comes from. */
export const jobKeySchema = z
  .string()
  .regex(/^(part|call|owed|hand|round):[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/, 'is no job');

export const decisionNoteSchema = text(300);
export const jobTextSchema = line(160, 'the task', 'say what is to do');
export const jobMinutesSchema = z.number().int().min(5, 'at least 5 minutes').max(960, 'at most 960 minutes');

/** A decision on a job: what, why, on which day and by whom. `version` is the one it was decided upon. */
export const newDecisionSchema = z
  .object({
    decision: z.enum(JOB_DECISIONS, { error: 'is no decision' }),
    note: decisionNoteSchema,
    day: dateSchema.nullable(),
    personId: idSchema.nullable(),
    /** What was promised of that day; left out, it stays while the day does. */
    window: windowSchema.nullable().optional(),
    version: z.number().int().min(0).max(1_000_000),
  })
  .refine(({ decision, note: why }) => decision !== 'declined' || why !== '', {
    error: 'say why it was declined',
    path: ['note'],
  });
export type NewDecision = z.infer<typeof newDecisionSchema>;

/** A job somebody notes by hand. */
export const newJobSchema = z.object({
  text: jobTextSchema,
  byWhen: dateSchema,
  minutes: jobMinutesSchema,
});
export type NewJob = z.infer<typeof newJobSchema>;

/** Anything left to do on a system: what, why, by when, how long, what it takes, and what was decided. */
export const jobSchema = z.object({
  key: jobKeySchema,
  source: z.enum(JOB_SOURCES),
  systemId: idSchema,
  address: z.string(),
  area: z.string().nullable(),
  customerName: z.string(),
  systemKind: systemKindSchema,
  does: z.enum(JOB_DOES),
  slot: z.enum(SLOTS).nullable(),
  /** The rating of the part that may be needed. */
  part: z.string().nullable(),
  standing: z.enum(STANDINGS).nullable(),
  chance: z.number().nullable(),
  /** The reading that opened it or is owed, and that proves it done. */
  reading: z.object({ kind: z.string(), point: z.enum(POINTS) }).nullable(),
  because: becauseSchema.nullable(),
  putOff: z.enum(PUT_OFF_CODES).nullable(),
  faults: z.array(z.string()),
  /** Of a round that is due: the day of the last one, the chance that a part fails within a week, and which frays most. */
  round: z
    .object({
      lastRound: dateSchema.nullable(),
      chance: z.number(),
      most: z.object({ slot: z.enum(SLOTS), past: z.number() }).nullable(),
    })
    .nullable(),
  /** What a person wrote of it: of a job by hand, a call's end, a reading put off. */
  text: z.string(),
  byWhen: dateSchema,
  before: z.enum(JOB_BEFORES),
  minutes: z.number().int(),
  decision: z.enum(JOB_DECISIONS),
  note: z.string(),
  day: dateSchema.nullable(),
  person: z.object({ id: idSchema, name: z.string() }).nullable(),
  /** From when to when on that day somebody was promised, minutes from midnight. */
  window: windowSchema.nullable().default(null),
  decided: z.object({ at: momentSchema, by: z.string() }).nullable(),
  version: z.number().int(),
});
export type Job = z.infer<typeof jobSchema>;

export const jobsQuerySchema = z.object({
  systemId: idSchema.optional(),
  area: textIfAny(40),
  decision: z.enum(JOB_DECISIONS).optional(),
  /** Only what comes from there; rounds that are due and not planned are told only when they are asked for. */
  source: z.enum(JOB_SOURCES).optional(),
  limit: z.coerce.number().int().min(1).max(500).default(200),
});
export type JobsQuery = z.infer<typeof jobsQuerySchema>;

/** Jobs that match, the soonest due first, with how many there are of each decision, and who can do them. */
export const jobsPageSchema = z.object({
  jobs: z.array(jobSchema),
  counts: z.record(z.enum(JOB_DECISIONS), z.number().int()),
  areas: z.array(z.string()),
  people: z.array(z.object({ id: idSchema, name: z.string() })),
});
export type JobsPage = z.infer<typeof jobsPageSchema>;
