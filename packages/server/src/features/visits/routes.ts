import { closingSchema, idSchema, newVisitSchema, visitSchema, visitsPageSchema } from '@yarnix/core';
import { z } from 'zod';
import { route } from '../../http/route.ts';
import type { Services } from '../../services.ts';

const params = z.object({ id: idSchema });

export const visitsRoutes = ({ visits, closing }: Services) => [
  route({
    method: 'get',
    path: '/api/visits',
    summary: 'Open rounds and the latest closed ones',
    permission: 'look',
    reply: visitsPageSchema,
    handle: ({ context }) => visits.page(context),
  }),
  route({
    method: 'put',
    path: '/api/visits/:id',
    summary: 'Start a round',
    permission: 'record',
    params,
    body: newVisitSchema,
    reply: visitSchema,
    handle: ({ context, params: { id }, body }) => visits.start(context, id, body),
  }),
  route({
    method: 'put',
    path: '/api/visits/:id/closing',
    summary: 'Close a round',
    permission: 'record',
    params,
    body: closingSchema,
    reply: visitSchema,
    handle: ({ context, params: { id }, body }) => closing.close(context, id, body),
  }),
];
