import { idSchema, latestRefitSchema, refitSchema, refitWishSchema } from '@yarnix/core';
import { z } from 'zod';
import { route } from '../../http/route.ts';
import type { Services } from '../../services.ts';

export const refitsRoutes = ({ refits }: Services) => [
  route({
    method: 'get',
    path: '/api/refits/latest',
    summary: 'The latest fitting anew of all threads, and when the fleet was last learned from',
    permission: 'look',
    reply: latestRefitSchema,
    handle: ({ context }) => refits.latest(context),
  }),
  route({
    method: 'post',
    path: '/api/refits',
    summary: 'Have the fleet learned from and every part judged anew, off the request path',
    permission: 'record',
    reply: refitSchema,
    handle: ({ context }) => refits.ask(context),
  }),
  route({
    method: 'put',
    path: '/api/refits/:id/wish',
    summary: 'Stop a refit, or go on with one that was stopped',
    permission: 'record',
    params: z.object({ id: idSchema }),
    body: refitWishSchema,
    reply: refitSchema,
    handle: ({ context, params: { id }, body }) => refits.wish(context, id, body.wish),
  }),
];
