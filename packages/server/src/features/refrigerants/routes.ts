import { newRefrigerantSchema, refrigerantNameSchema, refrigerantSchema } from '@yarnix/core';
import { z } from 'zod';
import { route } from '../../http/route.ts';
import type { Services } from '../../services.ts';

export const refrigerantsRoutes = ({ refrigerants }: Services) => [
  route({
    method: 'put',
    path: '/api/refrigerants/:name',
    summary: 'Load a supplier’s pressure–temperature table from CSV',
    permission: 'manage',
    params: z.object({ name: refrigerantNameSchema }),
    body: newRefrigerantSchema,
    reply: refrigerantSchema,
    handle: ({ context, params: { name }, body }) => refrigerants.load(context, name, body),
  }),
];
