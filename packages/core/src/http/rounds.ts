import { z } from 'zod';
import { text, textIfAny, textOrNull } from '../quantity/text.ts';
import { POINTS } from '../equipment/component.ts';
import { LOOSE_END_CODES } from '../round/loose-ends.ts';
import { PUT_OFF_CODES } from '../round/put-off.ts';
import { dateSchema, givenMomentSchema, idSchema, momentSchema } from './common.ts';

/** A loose end as it stands: opened, put back, or left with a reason. Sent whole each time; the latest state holds. */
export const newLooseEndSchema = z
  .object({
    visitId: idSchema,
    code: z.enum(LOOSE_END_CODES).nullable(),
    text: text(120),
    openedAt: givenMomentSchema,
    putBackAt: givenMomentSchema.nullable(),
    leftBecause: text(300).nullable(),
  })
  .refine((end) => end.code !== null || end.text !== '', { error: 'what hangs loose?', path: ['text'] })
  .refine((end) => end.putBackAt === null || end.putBackAt >= end.openedAt, {
    error: 'it cannot be put back before it was opened',
    path: ['putBackAt'],
  });
export type NewLooseEnd = z.infer<typeof newLooseEndSchema>;

export const looseEndSchema = z.object({
  id: idSchema,
  visitId: idSchema,
  code: z.enum(LOOSE_END_CODES).nullable(),
  text: text(120),
  openedAt: momentSchema,
  putBackAt: momentSchema.nullable(),
  leftBecause: text(300).nullable(),
});
export type LooseEndView = z.infer<typeof looseEndSchema>;

/** A reading put off: never a silent blank, but a follow-up with a day. */
export const newFollowUpSchema = z.object({
  visitId: idSchema,
  componentId: idSchema,
  kind: z.string().max(60),
  point: z.enum(POINTS, { error: 'is no point of any part' }),
  method: z.string().max(40),
  reason: z.enum(PUT_OFF_CODES, { error: 'is none of the reasons' }),
  note: textIfAny(300),
  dueOn: dateSchema,
  putOffAt: givenMomentSchema,
  /** True when it is taken back: the reading will be taken, or was put off by mistake. */
  withdrawn: z.boolean().default(false),
});
export type NewFollowUp = z.infer<typeof newFollowUpSchema>;

export const followUpSchema = z.object({
  id: idSchema,
  visitId: idSchema,
  systemId: idSchema,
  componentId: idSchema,
  kind: z.string().max(60),
  point: z.enum(POINTS),
  method: z.string().max(40),
  reason: z.enum(PUT_OFF_CODES),
  note: textOrNull(300),
  dueOn: dateSchema,
  putOffAt: momentSchema,
  /** The reading that settled it. */
  doneBy: idSchema.nullable(),
  withdrawn: z.boolean(),
});
export type FollowUpView = z.infer<typeof followUpSchema>;

/** Follow-ups of the whole firm that are still to do, the soonest first. */
export const followUpsPageSchema = z.object({
  followUps: z.array(followUpSchema.extend({ address: z.string(), customerName: z.string() })),
});
