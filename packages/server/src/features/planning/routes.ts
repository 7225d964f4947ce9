import { idSchema, planningSchema, systemDetailSchema, systemPlaceSchema } from '@yarnix/core';
import { z } from 'zod';
import { route } from '../../http/route.ts';
import type { Services } from '../../services.ts';

export const planningRoutes = ({ planning }: Services) => [
  route({
    method: 'get',
    path: '/api/planning',
    summary: 'How the firm plans: its seasons, its days, and where its areas are',
    permission: 'look',
    reply: planningSchema,
    handle: ({ context }) => planning.settings(context),
  }),
  route({
    method: 'put',
    path: '/api/planning',
    summary: 'Change how the firm plans',
    permission: 'manage',
    body: planningSchema,
    reply: planningSchema,
    handle: ({ context, body }) => planning.keep(context, body),
  }),
  route({
    method: 'put',
    path: '/api/systems/:id/place',
    summary: 'Say where a system is, by latitude and longitude',
    permission: 'record',
    params: z.object({ id: idSchema }),
    body: systemPlaceSchema,
    reply: systemDetailSchema,
    handle: ({ context, params: { id }, body: { place } }) => planning.place(context, id, place),
  }),
];
