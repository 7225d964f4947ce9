import { dateSchema, idSchema } from '@yarnix/core';
import type { Response } from 'express';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { z } from 'zod';
import { bytesRoute } from '../../http/route.ts';
import type { RequestContext } from '../../identity/context.ts';
import type { Services } from '../../services.ts';
import type { AskedFirm } from './service.ts';

const readingsQuerySchema = z.object({
  /** Of one system alone. */
  systemId: idSchema.optional(),
  /** Taken on that day or later. */
  since: dateSchema.optional(),
  /** Go on after this system, where a file was cut short. */
  after: idSchema.optional(),
});

const firmQuerySchema = z.object({
  systemId: idSchema.optional(),
  /** Go on after this system. */
  after: idSchema.optional(),
  /** So many systems at most. */
  count: z.coerce.number().int().min(1).max(100_000).optional(),
});

/** Sends a file piece by piece. A reader that has gone away ends the work, and so does a database that has: the file is cut short, and seen to be. */
async function sendPieces(
  pieces: AsyncGenerator<string | Buffer>,
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

interface FirmFile {
  readonly path: string;
  readonly summary: string;
  readonly pieces: (context: RequestContext, asked: AskedFirm) => AsyncGenerator<string | Buffer>;
  readonly file: string;
  readonly type: string;
}

/** A file of the firm; where it is a part of it, its head says where the next one is. */
const firmRoute = (exchange: Services['exchange'], { path, summary, pieces, file, type }: FirmFile) =>
  bytesRoute({
    path,
    summary,
    permission: 'look',
    query: firmQuerySchema,
    respond: async ({ context, query }, response) => {
      const last = await exchange.lastOf(context, query);
      if (last !== null) response.setHeader('link', `<${path}?after=${last}&count=${query.count ?? ''}>; rel="next"`);
      await sendPieces(pieces(context, query), response, file, type);
    },
  });

export const exchangeRoutes = ({ exchange }: Services) => [
  bytesRoute({
    path: '/api/readings.csv',
    summary: 'Readings as CSV, one a row, units in a column; columns are described in docs/exchange.md',
    permission: 'look',
    query: readingsQuerySchema,
    respond: ({ context, query }, response) =>
      sendPieces(exchange.readingsCsv(context, query), response, 'readings.csv', 'text/csv; charset=utf-8'),
  }),
  firmRoute(exchange, {
    path: '/api/export.json',
    summary:
      'The firm, one system of it, or a part as JSON: people, meters, parts, visits, readings and all else that is known',
    pieces: exchange.firmJson,
    file: 'yarnix.json',
    type: 'application/json; charset=utf-8',
  }),
  firmRoute(exchange, {
    path: '/api/export.zip',
    summary: 'The same with its photos, as a ZIP',
    pieces: exchange.archive,
    file: 'yarnix.zip',
    type: 'application/zip',
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
