import { eventSchema, idSchema, newEventSchema } from '@yarnix/core';
import { z } from 'zod';
import { route } from '../../http/route.ts';
import type { Services } from '../../services.ts';

export const eventsRoutes = ({ events }: Services) => [
  route({
    method: 'put',
    path: '/api/events/:id',
    summary: 'Note a repair or change that moves readings without wear, or take it back',
    permission: 'record',
    params: z.object({ id: idSchema }),
    body: newEventSchema,
    reply: eventSchema,
    handle: ({ context, params: { id }, body }) => events.note(context, id, body),
  }),
];
