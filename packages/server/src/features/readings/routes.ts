import { idSchema, newReadingSchema, newRulingSchema, readingSchema } from '@yarnix/core';
import { z } from 'zod';
import { route } from '../../http/route.ts';
import type { Services } from '../../services.ts';

export const readingsRoutes = ({ readings }: Services) => [
  route({
    method: 'put',
    path: '/api/readings/:id',
    summary: 'Keep a reading, or a correction of one',
    permission: 'record',
    params: z.object({ id: idSchema }),
    body: newReadingSchema,
    reply: readingSchema,
    handle: ({ context, params: { id }, body }) => readings.take(context, id, body),
  }),
  route({
    method: 'put',
    path: '/api/readings/:id/ruling',
    summary: 'Overrule the verdict on a reading, or take that back',
    permission: 'record',
    params: z.object({ id: idSchema }),
    body: newRulingSchema,
    reply: readingSchema,
    handle: ({ context, params: { id }, body }) => readings.rule(context, id, body),
  }),
];
