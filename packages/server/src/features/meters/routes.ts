import { idSchema, meterSchema, metersSchema, newMeterCheckSchema, newMeterSchema } from '@yarnix/core';
import { z } from 'zod';
import { route } from '../../http/route.ts';
import type { Services } from '../../services.ts';

export const metersRoutes = ({ meters }: Services) => [
  route({
    method: 'get',
    path: '/api/meters',
    summary: 'The firm’s instruments, and how far each is off by what its readings and checks say',
    permission: 'look',
    reply: metersSchema,
    handle: ({ context }) => meters.all(context),
  }),
  route({
    method: 'put',
    path: '/api/meters/:id',
    summary: 'Keep an instrument, or change whose it is and until when it is used',
    permission: 'record',
    params: z.object({ id: idSchema }),
    body: newMeterSchema,
    reply: meterSchema,
    handle: ({ context, params: { id }, body }) => meters.put(context, id, body),
  }),
  route({
    method: 'put',
    path: '/api/meters/:id/checks/:checkId',
    summary: 'Keep a check of an instrument against something known',
    permission: 'record',
    params: z.object({ id: idSchema, checkId: idSchema }),
    body: newMeterCheckSchema,
    reply: meterSchema,
    handle: ({ context, params: { id, checkId }, body }) => meters.check(context, id, checkId, body),
  }),
];
