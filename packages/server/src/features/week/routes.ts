import {
  dateSchema,
  dayOrderSchema,
  idSchema,
  movedSchema,
  stopMoveSchema,
  weekQuerySchema,
  weekSchema,
} from '@yarnix/core';
import { z } from 'zod';
import { route } from '../../http/route.ts';
import type { Services } from '../../services.ts';

export const weekRoutes = ({ week }: Services) => [
  route({
    method: 'get',
    path: '/api/week',
    summary: 'Who goes where on some days, in which order, and what is planned without a day or a person',
    permission: 'look',
    query: weekQuerySchema,
    reply: weekSchema,
    handle: ({ context, query: { from, days } }) => week.week(context, from, days),
  }),
  route({
    method: 'put',
    path: '/api/week/stops/:systemId',
    summary: 'Move what is planned at an address to a day, a person and a place in that day',
    permission: 'record',
    params: z.object({ systemId: idSchema }),
    body: stopMoveSchema,
    reply: movedSchema,
    handle: ({ context, params: { systemId }, body }) => week.move(context, systemId, body),
  }),
  route({
    method: 'put',
    path: '/api/week/people/:personId/days/:day',
    summary: 'Put the addresses of somebody’s day in another order',
    permission: 'record',
    params: z.object({ personId: idSchema, day: dateSchema }),
    body: dayOrderSchema,
    reply: weekSchema,
    handle: ({ context, params: { personId, day }, body }) => week.order(context, personId, day, body),
  }),
];
