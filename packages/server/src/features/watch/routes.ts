import { watchPageSchema, watchQuerySchema } from '@yarnix/core';
import { route } from '../../http/route.ts';
import type { Services } from '../../services.ts';

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
];
