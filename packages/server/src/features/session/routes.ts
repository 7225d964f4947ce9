import { sessionSchema } from '@yarnix/core';
import type { Services } from '../../services.ts';
import { route } from '../../http/route.ts';

export const sessionRoutes = ({ session }: Services) => [
  route({
    method: 'get',
    path: '/api/session',
    summary: 'Who is working, for which firm, by which policy',
    permission: 'look',
    reply: sessionSchema,
    handle: ({ context }) => session.session(context),
  }),
];
