import { dateSchema, idSchema, newStockSchema, vanSchema } from '@yarnix/core';
import { z } from 'zod';
import { bytesRoute, route } from '../../http/route.ts';
import type { Services } from '../../services.ts';

const params = z.object({ personId: idSchema, day: dateSchema });

export const vansRoutes = ({ vans }: Services) => [
  route({
    method: 'get',
    path: '/api/vans/:personId/days/:day',
    summary: 'What somebody loads for a day, and what is in the van',
    permission: 'look',
    params,
    reply: vanSchema,
    handle: ({ context, params: { personId, day } }) => vans.van(context, personId, day),
  }),
  route({
    method: 'put',
    path: '/api/vans/:personId/days/:day',
    summary: 'Say how many of a part are in the van; what to load for the day follows',
    permission: 'record',
    params,
    body: newStockSchema,
    reply: vanSchema,
    handle: ({ context, params: { personId, day }, body }) => vans.keep(context, personId, day, body),
  }),
  bytesRoute({
    path: '/api/order.csv',
    summary: 'Parts that planned days ask for and no van has, as CSV',
    permission: 'look',
    query: z.object({ from: dateSchema, to: dateSchema }),
    respond: async ({ context, query: { from, to } }, response) => {
      const text = await vans.order(context, from, to);
      response.attachment('order.csv').type('text/csv; charset=utf-8').send(text);
    },
  }),
];
