import { feedQuerySchema, feedSchema } from '@yarnix/core';
import { route } from '../../http/route.ts';
import type { Services } from '../../services.ts';

export const feedRoutes = ({ feed }: Services) => [
  route({
    method: 'get',
    path: '/api/feed',
    summary:
      'What happened since a place in the feed, for other programs to read on from: nothing is left out or told twice',
    permission: 'look',
    query: feedQuerySchema,
    reply: feedSchema,
    handle: ({ context, query }) => feed.after(context, query),
  }),
];
