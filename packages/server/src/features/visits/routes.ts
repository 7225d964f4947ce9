import {
  closingSchema,
  idSchema,
  newCallSchema,
  newVisitSchema,
  provedCausesSchema,
  visitSchema,
  visitsPageSchema,
} from '@yarnix/core';
import { z } from 'zod';
import { route } from '../../http/route.ts';
import type { Services } from '../../services.ts';

const params = z.object({ id: idSchema });

export const visitsRoutes = ({ visits, closing, calls }: Services) => [
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
    path: '/api/visits/:id/call',
    summary: 'Say what a call is about, and how it stands',
    permission: 'record',
    params,
    body: newCallSchema,
    reply: visitSchema,
    handle: ({ context, params: { id }, body }) => calls.put(context, id, body),
  }),
  route({
    method: 'get',
    path: '/api/causes',
    summary: 'How often each fault was proved in this firm',
    permission: 'look',
    reply: provedCausesSchema,
    handle: ({ context }) => calls.proved(context),
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
