import { PIECE_BYTES, type RestoreView } from '@yarnix/core';
import type { Express } from 'express';
import request from 'supertest';
import { v7 } from 'uuid';
import type { Runner } from '../jobs/runner.ts';

/** A file the app hands out, as bytes; of a type, where that is told. */
export async function fileAt(app: Express, path: string, type = /./): Promise<Buffer> {
  const reply = await request(app)
    .get(path)
    .buffer(true)
    .parse((response, done) => {
      const pieces: Buffer[] = [];
      response.on('data', (piece: Buffer) => pieces.push(piece));
      response.on('end', () => done(null, Buffer.concat(pieces)));
    })
    .expect(200)
    .expect('content-type', type);
  return reply.body as Buffer;
}

/** Sends a firm's file piece by piece; the last answer, or the one that refused it. */
export async function sendFirm(app: Express, bytes: Buffer, id = v7()) {
  const begun = await request(app).put(`/api/restores/${id}`).send({ name: 'firm.zip', size: bytes.length });
  if (begun.status !== 202) return begun;
  let last = begun;
  for (let piece = 0; piece * PIECE_BYTES < bytes.length; piece += 1)
    last = await request(app)
      .put(`/api/restores/${id}/pieces/${piece}`)
      .set('content-type', 'application/octet-stream')
      .send(bytes.subarray(piece * PIECE_BYTES, (piece + 1) * PIECE_BYTES))
      .expect(202)
      .expect('location', `/api/restores/${id}`);
  return last;
}

/** An app, and what does its work off the request path. */
export interface Target {
  readonly app: Express;
  readonly runner: Runner;
}

/** Sends a firm's file and has it worked off; how it stands then. */
export async function restoreFirm({ app, runner }: Target, bytes: Buffer): Promise<RestoreView> {
  const sent = (await sendFirm(app, bytes)).body as RestoreView;
  await runner.look();
  return (await request(app).get(`/api/restores/${sent.id}`).expect(200)).body as RestoreView;
}

/** What a firm's file says, but for when it was made and whose firm it is now. */
export function saidIn(bytes: Buffer | Uint8Array): Record<string, unknown> {
  const {
    exportedAt: _at,
    firm: _firm,
    ...rest
  } = JSON.parse(Buffer.from(bytes).toString()) as Record<string, unknown>;
  return rest;
}
