import {
  idSchema,
  jobKeySchema,
  jobSchema,
  jobsPageSchema,
  jobsQuerySchema,
  newDecisionSchema,
  newJobSchema,
} from '@yarnix/core';
import { z } from 'zod';
import { route } from '../../http/route.ts';
import type { Services } from '../../services.ts';

export const jobsRoutes = ({ weekJobs: jobs }: Services) => [
  route({
    method: 'get',
    path: '/api/jobs',
    summary: 'What is left to do on systems, the soonest due first',
    permission: 'look',
    query: jobsQuerySchema,
    reply: jobsPageSchema,
    handle: ({ context, query }) => jobs.page(context, query),
  }),
  route({
    method: 'put',
    path: '/api/jobs/:key',
    summary:
      'Decide a job: accept it for a day and a person, decline it with a reason, propose it again, say it is done',
    permission: 'record',
    params: z.object({ key: jobKeySchema }),
    body: newDecisionSchema,
    reply: jobSchema,
    handle: ({ context, params: { key }, body }) => jobs.decide(context, key, body),
  }),
  route({
    method: 'put',
    path: '/api/systems/:systemId/jobs/:id',
    summary: 'Note a job by hand',
    permission: 'record',
    params: z.object({ systemId: idSchema, id: idSchema }),
    body: newJobSchema,
    reply: jobSchema,
    handle: ({ context, params: { systemId, id }, body }) => jobs.note(context, systemId, id, body),
  }),
];
