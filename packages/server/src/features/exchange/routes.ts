import { givenDateSchema, idSchema } from '@yarnix/core';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { z } from 'zod';
import { bytesRoute } from '../../http/route.ts';
import type { Services } from '../../services.ts';

const readingsQuerySchema = z.object({
  /** Of one system alone. */
  systemId: idSchema.optional(),
  /** Taken on that day or later. */
  since: givenDateSchema.optional(),
  /** Go on after this system, where a file was cut short. */
  after: idSchema.optional(),
});

export const exchangeRoutes = ({ exchange }: Services) => [
  bytesRoute({
    path: '/api/readings.csv',
    summary: 'Readings as CSV, one a row, units in a column; columns are described in docs/exchange.md',
    permission: 'look',
    query: readingsQuerySchema,
    respond: async ({ context, query }, response) => {
      const pieces = exchange.readingsCsv(context, query);
      const first = await pieces.next();
      response.attachment('readings.csv').type('text/csv; charset=utf-8');
      if (!first.done) response.write(first.value);
      // A reader that has gone away ends the work, and so does a database that has: the file is cut short, and seen to be.
      await pipeline(Readable.from(pieces), response).catch(() => response.destroy());
    },
  }),
];
