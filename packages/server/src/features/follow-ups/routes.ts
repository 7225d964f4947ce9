import { followUpSchema, followUpsPageSchema, idSchema, newFollowUpSchema } from '@yarnix/core';
import { z } from 'zod';
import { route } from '../../http/route.ts';
import type { Services } from '../../services.ts';

export const followUpsRoutes = ({ followUps }: Services) => [
  route({
    method: 'get',
    path: '/api/follow-ups',
    summary: 'Readings put off and still to take, the soonest first',
    permission: 'look',
    reply: followUpsPageSchema,
    handle: async ({ context }) => ({ followUps: await followUps.toDo(context) }),
  }),
  route({
    method: 'put',
    path: '/api/follow-ups/:id',
    summary: 'Put a reading off with a reason, or take that back',
    permission: 'record',
    params: z.object({ id: idSchema }),
    body: newFollowUpSchema,
    reply: followUpSchema,
    handle: ({ context, params: { id }, body }) => followUps.put(context, id, body),
  }),
];
