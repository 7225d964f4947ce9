import { componentSchema, fittedPartSchema, idSchema } from '@yarnix/core';
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
];
