import {
  idSchema,
  snoozeSchema,
  watchChangesSchema,
  watchFilterSchema,
  watchPageSchema,
  watchQuerySchema,
} from '@yarnix/core';
import { z } from 'zod';
import { bytesRoute, route } from '../../http/route.ts';
import type { Services } from '../../services.ts';

const ofPart = z.object({ componentId: idSchema });

export const watchRoutes = ({ watch }: Services) => [
  route({
    method: 'get',
    path: '/api/watch',
    summary: 'Parts likely to fail before their next round, the most urgent first',
    permission: 'look',
    query: watchQuerySchema,
    reply: watchPageSchema,
    handle: ({ context, query }) => watch.page(context, query),
  }),
  bytesRoute({
    path: '/api/watch.csv',
    summary: 'The whole list that matches, as CSV',
    permission: 'look',
    query: watchFilterSchema,
    respond: async ({ context, query }, response) => {
      const text = await watch.csv(context, query);
      response.attachment('watch.csv').type('text/csv; charset=utf-8').send(text);
    },
  }),
  route({
    method: 'get',
    path: '/api/watch/changes',
    summary: 'Parts that stand otherwise than a week ago',
    permission: 'look',
    reply: watchChangesSchema,
    handle: ({ context }) => watch.changes(context),
  }),
  route({
    method: 'put',
    path: '/api/watch/:componentId/snooze',
    summary: 'Set a part aside until a day, with the reason',
    permission: 'record',
    params: ofPart,
    body: snoozeSchema,
    reply: snoozeSchema,
    handle: ({ context, params: { componentId }, body }) => watch.snooze(context, componentId, body),
  }),
  route({
    method: 'delete',
    path: '/api/watch/:componentId/snooze',
    summary: 'Take a part that was set aside back into the list',
    permission: 'record',
    params: ofPart,
    reply: z.object({ woken: z.boolean() }),
    handle: ({ context, params: { componentId } }) => watch.wake(context, componentId),
  }),
];
