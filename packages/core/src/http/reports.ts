import { z } from 'zod';
import { idSchema, momentSchema } from './common.ts';

/** What a firm writes at the head of its reports: its name there, and a line of its own, as its license. */
export const reportHeadSchema = z.object({
  name: z.string().trim().min(1, 'say whose report it is').max(80, 'at most 80 characters'),
  line: z.string().trim().max(160, 'at most 160 characters'),
});
export type ReportHead = z.infer<typeof reportHeadSchema>;

/** Whether a visit’s report can be read by a link, since when; the link itself is told once, when it is made. */
export const reportLinkSchema = z.object({
  visitId: idSchema,
  since: momentSchema.nullable(),
  path: z.string().nullable(),
});
export type ReportLink = z.infer<typeof reportLinkSchema>;
