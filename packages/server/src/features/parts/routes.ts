import { componentSchema, fittedPartSchema, idSchema, partSchoolSchema } from '@yarnix/core';
import { z } from 'zod';
import { route } from '../../http/route.ts';
import type { Services } from '../../services.ts';

export const partsRoutes = ({ fitting }: Services) => [
  route({
    method: 'put',
    path: '/api/components/:id',
    summary: 'Fit a part in place of another',
    permission: 'record',
    params: z.object({ id: idSchema }),
    body: fittedPartSchema,
    reply: componentSchema,
    handle: ({ context, params: { id }, body }) => fitting.fit(context, id, body),
  }),
  route({
    method: 'put',
    path: '/api/components/:id/school',
    summary: 'Judge one part by another school than the firm’s, or by the firm’s again',
    permission: 'record',
    params: z.object({ id: idSchema }),
    body: partSchoolSchema,
    reply: componentSchema,
    handle: ({ context, params: { id }, body }) => fitting.judgeBy(context, id, body),
  }),
];
