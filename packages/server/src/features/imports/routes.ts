import {
  idSchema,
  importChoiceSchema,
  importDetailSchema,
  importMappingSchema,
  importRowsQuerySchema,
  importRowsSchema,
  importSchema,
  importsSchema,
  importWishSchema,
  zoneSchema,
} from '@yarnix/core';
import { z } from 'zod';
import { route } from '../../http/route.ts';
import type { Services } from '../../services.ts';

/** The largest file that is taken, bytes: some 300 000 rows. */
const LARGEST = 32 * 1024 * 1024;

const params = z.object({ id: idSchema });
const broughtSchema = z.object({
  /** Name of the file. */
  name: z.string().trim().min(1).max(200),
  /** Time zone of its times, where no profile says another. */
  zone: zoneSchema.default('UTC'),
});

export const importsRoutes = ({ imports }: Services) => [
  route({
    method: 'get',
    path: '/api/imports',
    summary: 'Imports from spreadsheets, the newest first',
    permission: 'look',
    reply: importsSchema,
    handle: ({ context }) => imports.list(context),
  }),
  route({
    method: 'put',
    path: '/api/imports/:id',
    summary: 'Bring a spreadsheet as CSV; nothing comes in yet, how its columns would be read is made out',
    permission: 'manage',
    params,
    query: broughtSchema,
    bytes: LARGEST,
    reply: importDetailSchema,
    handle: ({ context, params: { id }, query, bytes }) => imports.bring(context, id, query, bytes),
  }),
  route({
    method: 'get',
    path: '/api/imports/:id',
    summary: 'An import: its columns, how they are read, and how far it is',
    permission: 'look',
    params,
    reply: importDetailSchema,
    handle: ({ context, params: { id } }) => imports.detail(context, id),
  }),
  route({
    method: 'put',
    path: '/api/imports/:id/mapping',
    summary: 'Say what its columns are, keep that as a profile, and have every row checked',
    permission: 'manage',
    params,
    body: importMappingSchema,
    reply: importSchema,
    handle: ({ context, params: { id }, body }) => imports.map(context, id, body.mapping, body.profile),
  }),
  route({
    method: 'get',
    path: '/api/imports/:id/rows',
    summary: 'What would become of its rows, one by one, and why',
    permission: 'look',
    params,
    query: importRowsQuerySchema,
    reply: importRowsSchema,
    handle: ({ context, params: { id }, query }) => imports.rows(context, id, query),
  }),
  route({
    method: 'put',
    path: '/api/imports/:id/choice',
    summary: 'Choose which rows come in',
    permission: 'manage',
    params,
    body: importChoiceSchema,
    reply: importSchema,
    handle: ({ context, params: { id }, body }) => imports.choose(context, id, body),
  }),
  route({
    method: 'put',
    path: '/api/imports/:id/wish',
    summary: 'Have the chosen rows come in, stop what is under way, or take a whole import back',
    permission: 'manage',
    params,
    body: importWishSchema,
    reply: importSchema,
    handle: ({ context, params: { id }, body }) => imports.wish(context, id, body.wish),
  }),
  route({
    method: 'delete',
    path: '/api/imports/:id',
    summary: 'Forget an import of which nothing came in',
    permission: 'manage',
    params,
    reply: importsSchema,
    handle: ({ context, params: { id } }) => imports.discard(context, id),
  }),
];
