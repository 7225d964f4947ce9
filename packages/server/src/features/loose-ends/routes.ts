import { idSchema, looseEndSchema, newLooseEndSchema } from '@yarnix/core';
import { z } from 'zod';
import { route } from '../../http/route.ts';
import type { Services } from '../../services.ts';

export const looseEndsRoutes = ({ looseEnds, visits }: Services) => [
  route({
    method: 'put',
    path: '/api/loose-ends/:id',
    summary: 'Note a loose end as it stands: open, put back, or left with a reason',
    permission: 'record',
    params: z.object({ id: idSchema }),
    body: newLooseEndSchema,
    reply: looseEndSchema,
    handle: async ({ context, params: { id }, body }) => {
      const { systemId } = await visits.visit(context, body.visitId);
      return looseEnds.put(context, id, systemId, body);
    },
  }),
];
