import { idSchema, looseEndSchema, newLooseEndSchema } from '@yarnix/core';
import { z } from 'zod';
import { route } from '../../http/route.ts';
import type { Services } from '../../services.ts';

export const looseEndsRoutes = ({ looseEnds }: Services) => [
  route({
    method: 'put',
    path: '/api/loose-ends/:id',
    summary: 'Note a loose end as it stands: open, put back, or left with a reason',
    permission: 'record',
    params: z.object({ id: idSchema }),
    body: newLooseEndSchema,
    reply: looseEndSchema,
    handle: ({ context, params: { id }, body }) => looseEnds.put(context, id, body),
  }),
];
