import { z } from 'zod';
import { line, text } from '../quantity/text.ts';
import { idSchema, momentSchema } from './common.ts';

/** What a firm writes at the head of its reports: its name there, and a line of its own, as its license. */
export const reportHeadSchema = z.object({
  name: line(80, 'the name', 'say whose report it is'),
  line: text(160),
});
export type ReportHead = z.infer<typeof reportHeadSchema>;

/** Whether a visit’s report can be read by a link, since when; the link itself is told once, when it is made. */
export const reportLinkSchema = z.object({
  visitId: idSchema,
  since: momentSchema.nullable(),
  path: z.string().nullable(),
});
export type ReportLink = z.infer<typeof reportLinkSchema>;
