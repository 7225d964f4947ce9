import { z } from 'zod';
import { text } from '../quantity/text.ts';
import { COMPLAINTS } from '../diagnosis/complaint-shares.ts';
import { FAULTS, type FaultId } from '../circuit/faults.ts';
import { dateSchema, givenMomentSchema, idSchema, momentSchema } from './common.ts';

/** Why somebody came outside of a round. */
const CALL_KINDS = ['call', 'return'] as const;
/** Since when it has been so, as the owner says. */
export const SINCE = ['today', 'days', 'weeks', 'always', 'unknown'] as const;
/** How a call ended. */
const OUTCOMES = [
  'proved',
  'repaired',
  'for-now',
  'proposed',
  'declined',
  'nothing-found',
  'none-of-these',
  'unsafe',
] as const;

const FAULT_IDS = FAULTS.map(({ id }) => id) as [FaultId, ...FaultId[]];
const faultSchema = z.enum(FAULT_IDS, { error: 'is none of the faults known' });

/** A day as somebody gives it, or as it is kept. */
type DaySchema = typeof dateSchema;

/** What an outcome cannot be kept without: by when the rest must follow, or why. */
export type Lack = 'by-when' | 'why';
const LACKS: Readonly<Record<Lack, { message: string; path: string[] }>> = {
  'by-when': { message: 'say by when the rest must follow', path: ['byWhen'] },
  why: { message: 'say why, or what must follow', path: ['note'] },
};
const NEEDS_WHY: ReadonlySet<(typeof OUTCOMES)[number]> = new Set(['for-now', 'declined', 'unsafe']);

/** What is missing of an outcome; null when it can be kept. */
export function lackOf(outcome: {
  readonly is: (typeof OUTCOMES)[number];
  readonly note: string;
  readonly byWhen: string | null;
}): Lack | null {
  if (outcome.is === 'for-now' && outcome.byWhen === null) return 'by-when';
  return NEEDS_WHY.has(outcome.is) && outcome.note.trim() === '' ? 'why' : null;
}

const outcome = (day: DaySchema) =>
  z
    .object({
      is: z.enum(OUTCOMES, { error: 'is none of the outcomes' }),
      faults: z.array(faultSchema).max(6),
      /** What was done, what was measured, or why the owner declined. */
      note: text(2000),
      /** For what was repaired for now: by when the rest must follow. */
      byWhen: day.nullable(),
    })
    .superRefine((given, context) => {
      const lacks = lackOf(given);
      if (lacks) context.addIssue({ code: 'custom', ...LACKS[lacks] });
    });

const call = <M extends z.ZodType>(day: DaySchema, moment: M) => ({
  kind: z.enum(CALL_KINDS),
  complaints: z
    .array(z.enum(COMPLAINTS, { error: 'is none of the complaints' }))
    .min(1, 'what is it about?')
    .max(3, 'at most three'),
  since: z.enum(SINCE),
  /** True where it comes and goes. */
  atTimes: z.boolean(),
  /** In the owner's words: rooms, noises, smells, what was done lately. */
  said: text(600),
  /** Readings the technician would not swear to. */
  doubted: z.array(idSchema).max(200),
  /** Tests that could not be taken: once, or once more. */
  skipped: z.array(text(120)).max(200),
  /** Tests that could not be read, since nothing ran that they could be read of: an answer, too. */
  idle: z.array(text(120)).max(200),
  /** What was repaired on this call, and when: the hunt goes on without what was read before. */
  repaired: z.array(z.object({ fault: faultSchema, at: moment })).max(6),
  outcome: outcome(day).nullable(),
});

/** What a visit that is a call is about, and how it stands. Sent whole each time; the latest state holds. */
export const newCallSchema = z.object(call(dateSchema, givenMomentSchema));
export type NewCall = z.infer<typeof newCallSchema>;
export type Outcome = NonNullable<NewCall['outcome']>;

export const callSchema = z.object(call(dateSchema, momentSchema));

/** How often each fault was proved in this firm. */
export const provedCausesSchema = z.object({
  proved: z.array(z.object({ fault: z.string(), count: z.number().int().positive() })),
});
export type ProvedCauses = z.infer<typeof provedCausesSchema>;
