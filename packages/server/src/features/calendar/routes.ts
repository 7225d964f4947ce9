import { calendarLinkSchema, calendarsSchema, idSchema, jobKeySchema } from '@yarnix/core';
import type { Express } from 'express';
import { z } from 'zod';
import { bytesRoute, route } from '../../http/route.ts';
import type { Services } from '../../services.ts';

const params = z.object({ personId: idSchema });
const CALENDAR = 'text/calendar; charset=utf-8';

export const calendarRoutes = ({ calendar }: Services) => [
  route({
    method: 'get',
    path: '/api/calendars',
    summary: 'Who of the firm has a calendar for other programs, since when',
    permission: 'manage',
    reply: calendarsSchema,
    handle: ({ context }) => calendar.list(context),
  }),
  route({
    method: 'put',
    path: '/api/calendars/:personId',
    summary: 'Make a person’s secret calendar link; an earlier one reads nothing any more',
    permission: 'manage',
    params,
    reply: calendarLinkSchema,
    handle: ({ context, params: { personId } }) => calendar.make(context, personId),
  }),
  route({
    method: 'delete',
    path: '/api/calendars/:personId',
    summary: 'Revoke a person’s calendar link',
    permission: 'manage',
    params,
    reply: calendarsSchema,
    handle: ({ context, params: { personId } }) => calendar.revoke(context, personId),
  }),
  bytesRoute({
    path: '/api/jobs/:key/event.ics',
    summary: 'A planned job as an iCalendar file',
    permission: 'look',
    params: z.object({ key: jobKeySchema }),
    respond: async ({ context, params: { key } }, response) => {
      const text = await calendar.event(context, key);
      response.attachment('job.ics').type(CALENDAR).send(text);
    },
  }),
];

/** The calendar by its secret link: who has the link may read it, and is asked nothing else. */
export function serveCalendar(app: Express, { calendar }: Services): void {
  app.get('/calendar/:secret', async (request, response) => {
    const text = await calendar.feed(request.params.secret.replace(/\.ics$/, ''));
    response.set({ 'cache-control': 'no-store', 'content-type': CALENDAR }).send(text);
  });
}
