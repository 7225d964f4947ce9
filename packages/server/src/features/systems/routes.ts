import {
  idSchema,
  newPlateSchema,
  newSystemSchema,
  newWiresSchema,
  systemDetailSchema,
  systemsPageSchema,
  systemsQuerySchema,
} from '@yarnix/core';
import { z } from 'zod';
import { route } from '../../http/route.ts';
import type { Services } from '../../services.ts';

const params = z.object({ id: idSchema });

export const systemsRoutes = ({ systems }: Services) => [
  route({
    method: 'get',
    path: '/api/systems',
    summary: 'Systems by address, with the standing of their worst part',
    permission: 'look',
    query: systemsQuerySchema,
    reply: systemsPageSchema,
    handle: ({ context, query }) => systems.page(context, query),
  }),
  route({
    method: 'get',
    path: '/api/systems/:id',
    summary: 'One system with its parts, visits and readings',
    permission: 'look',
    params,
    reply: systemDetailSchema,
    handle: ({ context, params: { id } }) => systems.detail(context, id),
  }),
  route({
    method: 'put',
    path: '/api/systems/:id',
    summary: 'Enter a system with its plate and parts',
    permission: 'record',
    params,
    body: newSystemSchema,
    reply: systemDetailSchema,
    handle: ({ context, params: { id }, body }) => systems.create(context, id, body),
  }),
  route({
    method: 'put',
    path: '/api/systems/:id/plate',
    summary: 'Take a plate that was read better; every part is judged anew by it',
    permission: 'record',
    params: z.object({ id: idSchema }),
    body: newPlateSchema,
    reply: systemDetailSchema,
    handle: ({ context, params: { id }, body }) => systems.changePlate(context, id, body),
  }),
  route({
    method: 'put',
    path: '/api/systems/:id/wires',
    summary: 'Note which wire is on which lug of a part, in place of what was noted of it before',
    permission: 'record',
    params: z.object({ id: idSchema }),
    body: newWiresSchema,
    reply: newWiresSchema,
    handle: ({ context, params: { id }, body }) => systems.noteWires(context, id, body),
  }),
];
