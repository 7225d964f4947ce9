import { idSchema, MOST_PHOTO_BYTES, photoQuerySchema, photoSchema } from '@yarnix/core';
import { z } from 'zod';
import { bytesRoute, route } from '../../http/route.ts';
import type { Services } from '../../services.ts';

const params = z.object({ id: idSchema });

export const photosRoutes = ({ photos }: Services) => [
  route({
    method: 'put',
    path: '/api/photos/:id',
    summary: 'Keep a photo: the picture’s bytes as the body',
    permission: 'record',
    params,
    query: photoQuerySchema,
    bytes: MOST_PHOTO_BYTES,
    reply: photoSchema,
    handle: ({ context, params: { id }, query, bytes }) => photos.put(context, id, query, bytes),
  }),
  ...(['bytes', 'thumb'] as const).map((which) =>
    bytesRoute({
      path: which === 'bytes' ? '/api/photos/:id' : '/api/photos/:id/thumb',
      summary: which === 'bytes' ? 'A photo' : 'A photo’s thumbnail',
      permission: 'look',
      params,
      respond: async ({ context, params: { id } }, response) => {
        const { picture, mime } = await photos.picture(context, id, which);
        // A photo never changes under its id.
        response.set({ 'cache-control': 'private, max-age=31536000, immutable', 'content-type': mime }).send(picture);
      },
    }),
  ),
];
