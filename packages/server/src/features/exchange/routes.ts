import { givenDateSchema, idSchema } from '@yarnix/core';
import type { Response } from 'express';
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

/** Sends a file piece by piece. A reader that has gone away ends the work, and so does a database that has: the file is cut short, and seen to be. */
async function sendPieces(
  pieces: AsyncGenerator<string>,
  response: Response,
  file: string,
  type: string,
): Promise<void> {
  // Asked before the head is sent: what fails at once is told as that, and not as an empty file.
  const first = await pieces.next();
  response.attachment(file).type(type);
  if (!first.done) response.write(first.value);
  await pipeline(Readable.from(pieces), response).catch(() => response.destroy());
}

export const exchangeRoutes = ({ exchange }: Services) => [
  bytesRoute({
    path: '/api/readings.csv',
    summary: 'Readings as CSV, one a row, units in a column; columns are described in docs/exchange.md',
    permission: 'look',
    query: readingsQuerySchema,
    respond: ({ context, query }, response) =>
      sendPieces(exchange.readingsCsv(context, query), response, 'readings.csv', 'text/csv; charset=utf-8'),
  }),
  bytesRoute({
    path: '/api/export.json',
    summary: 'The firm, or one system of it, as JSON: parts, visits, readings and all else that is known',
    permission: 'look',
    query: z.object({ systemId: idSchema.optional() }),
    respond: ({ context, query }, response) =>
      sendPieces(exchange.firmJson(context, query), response, 'yarnix.json', 'application/json; charset=utf-8'),
  }),
  bytesRoute({
    path: '/api/export.schema.json',
    summary: 'The JSON Schema of such a file',
    permission: 'look',
    respond: (_asked, response) => {
      response.type('application/schema+json').send(JSON.stringify(exchange.exportSchema()));
      return Promise.resolve();
    },
  }),
];
