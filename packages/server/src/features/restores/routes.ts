import { idSchema, newRestoreSchema, PIECE_BYTES, pieceSchema, restoreSchema, restoresSchema } from '@yarnix/core';
import { z } from 'zod';
import { route } from '../../http/route.ts';
import type { Services } from '../../services.ts';

const params = z.object({ id: idSchema });
const follow = ({ id }: { id: string }): string => `/api/restores/${id}`;

export const restoresRoutes = ({ restores }: Services) => [
  route({
    method: 'get',
    path: '/api/restores',
    summary: 'Files of a firm that were brought to be read back, the newest first',
    permission: 'look',
    reply: restoresSchema,
    handle: ({ context }) => restores.list(context),
  }),
  route({
    method: 'get',
    path: '/api/restores/:id',
    summary: 'How far a file is that is being read back, and what of it is kept',
    permission: 'look',
    params,
    reply: restoreSchema,
    handle: ({ context, params: { id } }) => restores.one(context, id),
  }),
  route({
    method: 'put',
    path: '/api/restores/:id',
    summary:
      'Begin to read a file of a firm back, JSON or ZIP: its name and size; or go on with one that has stopped. Nothing in it may be here yet',
    permission: 'manage',
    params,
    body: newRestoreSchema,
    reply: restoreSchema,
    follow,
    handle: ({ context, params: { id }, body }) => restores.begin(context, id, body),
  }),
  route({
    method: 'put',
    path: '/api/restores/:id/pieces/:piece',
    summary: `A piece of such a file, ${PIECE_BYTES} bytes, the last one of what is left; with the last that is missing the work begins`,
    permission: 'manage',
    params: z.object({ id: idSchema, piece: pieceSchema }),
    bytes: PIECE_BYTES,
    reply: restoreSchema,
    follow,
    handle: ({ context, params: { id, piece }, bytes }) => restores.piece(context, id, piece, bytes),
  }),
];
