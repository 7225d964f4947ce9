import { idSchema, newPreviewSchema, newSchoolsSchema, previewSchema, schoolsSchema } from '@yarnix/core';
import { z } from 'zod';
import { route } from '../../http/route.ts';
import type { Services } from '../../services.ts';

export const schoolsRoutes = ({ schools }: Services) => [
  route({
    method: 'get',
    path: '/api/schools',
    summary: 'By which schools the firm judges, and how it came to them',
    permission: 'look',
    reply: schoolsSchema,
    handle: ({ context }) => schools.schools(context),
  }),
  route({
    method: 'put',
    path: '/api/schools',
    summary: 'Judge by other schools from now on; every part is judged anew',
    permission: 'manage',
    body: newSchoolsSchema,
    reply: schoolsSchema,
    handle: ({ context, body }) => schools.change(context, body),
  }),
  route({
    method: 'post',
    path: '/api/schools/previews',
    summary: 'Have worked out which parts would stand otherwise by other schools; an earlier such question is dropped',
    permission: 'manage',
    body: newPreviewSchema,
    reply: previewSchema,
    handle: ({ context, body }) => schools.ask(context, body.policy),
  }),
  route({
    method: 'get',
    path: '/api/schools/previews/:id',
    summary: 'How far that is, and what it has found',
    permission: 'look',
    params: z.object({ id: idSchema }),
    reply: previewSchema,
    handle: ({ context, params: { id } }) => schools.preview(context, id),
  }),
];
