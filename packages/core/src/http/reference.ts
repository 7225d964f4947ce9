import { z } from 'zod';

const content = z.record(z.string(), z.object({ schema: z.unknown() }));

/** One thing that can be asked of the interface. */
const operationSchema = z.object({
  summary: z.string(),
  'x-permission': z.string(),
  parameters: z.array(z.object({ name: z.string(), in: z.string(), required: z.boolean(), schema: z.unknown() })),
  requestBody: z.object({ content }).optional(),
  responses: z.record(z.string(), z.object({ description: z.string(), content: content.optional() })),
});
export type Operation = z.infer<typeof operationSchema>;

/** The description of the interface (OpenAPI), as far as a reader is shown it: operations by path and method. */
export const referenceSchema = z.object({
  openapi: z.string(),
  info: z.object({ title: z.string(), version: z.string() }),
  paths: z.record(z.string(), z.record(z.string(), operationSchema)),
});
export type Reference = z.infer<typeof referenceSchema>;
