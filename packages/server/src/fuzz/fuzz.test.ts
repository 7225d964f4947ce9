import {
  calendarsSchema,
  followUpsPageSchema,
  jobsPageSchema,
  latestRefitSchema,
  sessionSchema,
  systemDetailSchema,
  systemsPageSchema,
  visitsPageSchema,
  watchChangesSchema,
  watchPageSchema,
} from '@yarnix/core';
import { jest } from '@jest/globals';
import { Ajv2020, type ValidateFunction } from 'ajv/dist/2020.js';
import addFormats from 'ajv-formats';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import type { z } from 'zod';
import { createApp } from '../app.ts';
import { httpServer } from '../http/listen.ts';
import { createLog } from '../log.ts';
import { fileAt, restoreFirm, saidIn } from '../testing/firm-files.ts';
import { openSuite, runnerOf, type Suite } from '../testing/suite.ts';
import { madeFirm, type Documents } from './firm.ts';
import { randomOf, type Random } from './random.ts';
import { spoiled, valueOf, type Lore, type Schema } from './values.ts';

/** Requests per route, and the seed: `npm run fuzz` asks for more of both. */
const ROUNDS = Number(process.env.FUZZ_ROUNDS ?? 60);
const SEED = Number(process.env.FUZZ_SEED ?? 20261125);

jest.setTimeout(300_000 + ROUNDS * 2000);

interface Operation {
  readonly name: string;
  readonly method: string;
  readonly path: string;
  readonly parameters: readonly { name: string; in: 'path' | 'query'; required: boolean; schema: Schema }[];
  readonly body: Schema | undefined;
  readonly takesFile: boolean;
  readonly reply: ValidateFunction | undefined;
}

const now = () => new Date('2026-10-10T18:00:00Z');
let suite: Suite;
let app: ReturnType<typeof createApp>;
let server: Server;
let address: string;
let operations: Operation[];
let problem: ValidateFunction;
let lore: Lore;
let documents: Documents;
let systemIds: string[];
const logged: string[] = [];

interface Described {
  parameters: Operation['parameters'];
  requestBody?: { content: Record<string, { schema: Schema }> };
  responses: Record<string, { content: Record<string, { schema: object }> }>;
}

function operationsOf(api: { paths: Record<string, Record<string, Described>> }): Operation[] {
  const ajv = new Ajv2020({ strict: false });
  addFormats.default(ajv);
  const any = Object.values(Object.values(api.paths)[0]!)[0]!;
  problem = ajv.compile(any.responses.default!.content['application/problem+json']!.schema);
  return Object.entries(api.paths).flatMap(([path, methods]) =>
    Object.entries(methods).map(([method, described]) => {
      const json = (described.responses['200'] ?? described.responses['202'])?.content['application/json']?.schema;
      return {
        name: `${method} ${path}`,
        method,
        path,
        parameters: described.parameters,
        body: described.requestBody?.content['application/json']?.schema,
        takesFile: described.requestBody?.content['application/octet-stream'] !== undefined,
        reply: json && ajv.compile(json),
      };
    }),
  );
}

beforeAll(async () => {
  suite = await openSuite();
  const log = createLog('error', { write: (line) => void logged.push(line) });
  app = createApp({ db: suite.db, log, now, probeSpeed: 9000, limits: { atOnce: 500, aMinute: 1e9 } });
  ({ lore, documents, systemIds } = await madeFirm(app));
  // As in service: with connections kept longer than its client keeps them, none is closed under a request.
  server = httpServer(app);
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  operations = operationsOf((await (await fetch(`${address}/api/openapi.json`)).json()) as never);
});
afterAll(async () => {
  server.closeAllConnections();
  server.close();
  await suite.close();
});

function addressOf(operation: Operation, random: Random): string {
  const encode = (value: unknown) => {
    const text = typeof value === 'string' ? value : JSON.stringify(value);
    return encodeURIComponent(/\p{Surrogate}/u.test(text) ? '\ufffd' : text.slice(0, 4000));
  };
  let path = operation.path;
  const query: string[] = [];
  for (const { name, in: where, required, schema } of operation.parameters) {
    const value = valueOf(schema, random, lore, 0.15);
    if (where === 'path') path = path.replace(`{${name}}`, encode(random.chance(0.3) ? random.uuid() : value) || 'x');
    else if (required || random.chance(0.4)) query.push(`${name}=${encode(value)}`);
    if (random.chance(0.02)) query.push(`${name}=${encode(value)}`);
  }
  if (random.chance(0.03)) path += random.pick(['/', '/..%2f', '%ff', '%2e%2e', '/%00', '//']);
  return `${address}${path}${query.length > 0 ? `?${query.join('&')}` : ''}`;
}

function bodyOf(operation: Operation, random: Random): { body?: string | Buffer; type: string } {
  if (operation.takesFile) {
    const bytes = Buffer.from(random.pick(['', 'GIF89a', '\xff\xd8\xff\xe0 not really', 'x'.repeat(5000)]), 'latin1');
    return { body: bytes, type: 'application/octet-stream' };
  }
  if (!operation.body) return { type: 'application/json' };
  const right = documents[operation.name];
  const value =
    right && right.length > 0 && random.chance(0.6)
      ? random.chance(0.15)
        ? random.pick(right)
        : spoiled(random.pick(right), random, lore)
      : valueOf(operation.body, random, lore, 0.06);
  const text = JSON.stringify(value) ?? 'undefined';
  return { body: random.chance(0.02) ? text.slice(0, random.below(text.length + 1)) : text, type: 'application/json' };
}

/** What is wrong with an answer, in words; null when it is as declared. */
async function wrongWith(operation: Operation, reply: Response): Promise<string | null> {
  if (reply.status >= 500) return `${reply.status}: ${await reply.text()}`;
  if (reply.status >= 400) {
    const json: unknown = await reply.json().catch(() => undefined);
    return problem(json) ? null : `a ${reply.status} that is no problem: ${JSON.stringify(json)?.slice(0, 300)}`;
  }
  if (!operation.reply) {
    await reply.arrayBuffer();
    return null;
  }
  const json: unknown = await reply.json().catch(() => undefined);
  return operation.reply(json) ? null : `not as declared: ${JSON.stringify(operation.reply.errors?.slice(0, 3))}`;
}

test('whatever a client sends, the server answers as it has declared, and never with a fault of its own', async () => {
  const random = randomOf(SEED);
  const found: string[] = [];
  const statuses = new Map<number, number>();
  for (let round = 0; round < ROUNDS; round += 1) {
    for (const operation of operations) {
      const url = addressOf(operation, random);
      const { body, type } = bodyOf(operation, random);
      const init = { method: operation.method.toUpperCase(), headers: { 'content-type': type }, body: body ?? null };
      const reply = await fetch(url, init);
      statuses.set(reply.status, (statuses.get(reply.status) ?? 0) + 1);
      const wrong = await wrongWith(operation, reply);
      if (wrong) found.push(`${operation.name}\n  ${url.slice(0, 300)}\n  ${String(body).slice(0, 900)}\n  ${wrong}`);
      // Documents that come into being are there to be sent again, corrected and closed.
      const id = /[0-9a-f]{8}-[0-9a-f-]{27}/.exec(url)?.[0];
      if (reply.ok && id && operation.method === 'put') (lore.ids as string[]).push(id);
      if (reply.ok && id && operation.name === 'put /api/systems/{id}') systemIds.push(id);
    }
  }
  expect(found.slice(0, 5).join('\n\n')).toBe('');
  expect(logged.slice(0, 3)).toEqual([]);
  // It is no test if everything is refused at the door.
  expect(statuses.get(200)).toBeGreaterThan(ROUNDS * 4);
  expect(statuses.get(422)).toBeGreaterThan(ROUNDS * 4);
});

test('every document that was kept can be read by the client’s own schemas', async () => {
  const read = async (path: string, schema: z.ZodType): Promise<void> => {
    const reply = await fetch(`${address}${path}`);
    if (reply.status === 404) return;
    const result = schema.safeParse(await reply.json());
    expect([path, result.error?.issues.slice(0, 2)]).toEqual([path, undefined]);
  };
  await read('/api/session', sessionSchema);
  await read('/api/systems?limit=100', systemsPageSchema);
  await read('/api/visits', visitsPageSchema);
  await read('/api/watch?standing=sound,unproven,watch,act,stop&limit=100', watchPageSchema);
  await read('/api/watch/changes', watchChangesSchema);
  await read('/api/follow-ups', followUpsPageSchema);
  await read('/api/jobs', jobsPageSchema);
  await read('/api/jobs?source=round', jobsPageSchema);
  await read('/api/calendars', calendarsSchema);
  await read('/api/refits/latest', latestRefitSchema);
  for (const id of new Set(systemIds)) await read(`/api/systems/${id}`, systemDetailSchema);
});

/** Of the ids that are known, so many are asked for at each address. */
const ASKED = 25;

test('whatever is asked for after all that, the answer is as declared', async () => {
  const ids = [...new Set([...systemIds, ...lore.ids])];
  const found: string[] = [];
  for (const operation of operations.filter(({ method, reply }) => method === 'get' && reply)) {
    const names = operation.parameters.filter(({ in: where }) => where === 'path').map(({ name }) => name);
    const some = names.length === 0 ? [''] : ids.slice(0, ASKED);
    for (const id of some) {
      const path = names.reduce(
        (at, name) => at.replace(`{${name}}`, name === 'day' ? '2026-10-10' : id),
        operation.path,
      );
      const wrong = await wrongWith(operation, await fetch(`${address}${path}`));
      if (wrong) found.push(`${operation.name} ${path}\n  ${wrong}`);
    }
  }
  expect(found.slice(0, 3)).toEqual([]);
});

test('what was kept is a backup: read into an empty firm and written again, it is the same', async () => {
  // Standards that were changed have every part judged anew: what waits is worked off first.
  const working = runnerOf(suite, now).runner;
  await working.look();
  await working.stop();
  const whole = await fileAt(app, '/api/export.json');
  const empty = await openSuite(now);
  const { runner } = runnerOf(empty, now);
  const restored = await restoreFirm({ app: empty.app, runner }, whole);
  expect([restored.state, restored.error]).toEqual(['done', null]);
  expect(restored.systems).toBeGreaterThan(3);
  const again = saidIn(await fileAt(empty.app, '/api/export.json'));
  const was = saidIn(whole);
  // System by system: of a difference somewhere in all of it nobody would find the place.
  const systemsOf = (firm: typeof was) => firm.systems as { id: string }[];
  for (const system of systemsOf(was)) expect(systemsOf(again).find(({ id }) => id === system.id)).toEqual(system);
  expect({ ...again, systems: systemsOf(again).length }).toEqual({ ...was, systems: systemsOf(was).length });
  await runner.stop();
  await empty.close();
});
