import { json, raw, type Request, type Response, type Router } from 'express';
import type { z } from 'zod';
import type { Permission, RequestContext } from '../identity/context.ts';
import { contextOf } from '../identity/context.ts';
import { limitFiles } from './front-door.ts';
import { ProblemError } from './problems.ts';
import { readable } from './readable-text.ts';

type Shape = z.ZodType;
type Out<S extends Shape | undefined> = S extends Shape ? z.output<S> : undefined;

/** A route: it cannot be declared without its schemas and its permission. */
export interface RouteSpec<
  P extends Shape | undefined,
  Q extends Shape | undefined,
  B extends Shape | undefined,
  R extends Shape,
> {
  readonly method: 'get' | 'put' | 'post' | 'delete';
  /** Express path, such as /api/systems/:id. */
  readonly path: string;
  readonly summary: string;
  readonly permission: Permission;
  readonly params?: P;
  readonly query?: Q;
  readonly body?: B;
  readonly reply: R;
  /** For a body that is a file: its largest size in bytes. The handler gets it whole. */
  readonly bytes?: number;
  /** For work that goes on after the answer: where it is followed. The answer is 202 then. */
  readonly follow?: (reply: z.input<R>) => string;
  readonly handle: (asked: {
    context: RequestContext;
    params: Out<P>;
    query: Out<Q>;
    body: Out<B>;
    bytes: Buffer;
  }) => Promise<z.input<R>>;
}

/** A route that answers with something else than JSON: a picture, a stream. */
export interface BytesRouteSpec<P extends Shape | undefined, Q extends Shape | undefined> {
  readonly method: 'get';
  readonly path: string;
  readonly summary: string;
  readonly permission: Permission;
  readonly params?: P;
  readonly query?: Q;
  readonly respond: (
    asked: { context: RequestContext; params: Out<P>; query: Out<Q> },
    response: Response,
  ) => Promise<void>;
}

// eslint-disable-next-line @typescript-eslint/no-explicit-any -- a list of routes holds routes of every shape
export type AnyRoute = RouteSpec<any, any, any, any> | BytesRouteSpec<any, any>;

/** Declares a route that answers with bytes. */
export const bytesRoute = <P extends Shape | undefined = undefined, Q extends Shape | undefined = undefined>(
  spec: Omit<BytesRouteSpec<P, Q>, 'method'>,
): BytesRouteSpec<P, Q> => ({ method: 'get', ...spec });

/** Declares a route; the types of what is asked and replied follow from its schemas. */
export const route = <
  R extends Shape,
  P extends Shape | undefined = undefined,
  Q extends Shape | undefined = undefined,
  B extends Shape | undefined = undefined,
>(
  spec: RouteSpec<P, Q, B, R>,
): RouteSpec<P, Q, B, R> => spec;

function read(schema: Shape | undefined, value: unknown, where: string): unknown {
  if (!schema) return undefined;
  const result = schema.safeParse(readable(value, where ? [where] : []));
  if (result.success) return result.data;
  const errors = result.error.issues.map((issue) => ({
    path: [where, ...issue.path.map(String)].filter(Boolean).join('.'),
    detail: issue.message,
  }));
  const first = errors[0];
  throw new ProblemError(
    'invalid-request',
    first ? `${first.path || 'body'}: ${first.detail}` : 'The request cannot be read.',
    errors,
  );
}

async function answer(spec: AnyRoute, request: Request, response: Response): Promise<void> {
  const context = contextOf(response);
  if (!context.permissions.has(spec.permission)) {
    throw new ProblemError('not-allowed', `This needs the permission to ${spec.permission}.`);
  }
  const asked = {
    context,
    params: read(spec.params as Shape | undefined, request.params, 'path'),
    query: read(spec.query as Shape | undefined, request.query, 'query'),
  };
  if ('respond' in spec) {
    await spec.respond(asked, response);
    return;
  }
  const bytes = Buffer.isBuffer(request.body) ? request.body : Buffer.alloc(0);
  const reply = (await spec.handle({
    ...asked,
    body: read(spec.body as Shape | undefined, request.body, ''),
    bytes,
  })) as never;
  const { follow } = spec as { follow?: (reply: unknown) => string };
  if (follow) response.status(202).location(follow(reply));
  response.json(reply);
}

/** Files that may be on their way in at a time: some 100 MB when each is as large as may be; of large ones, fewer. */
const MOST_FILES = 8;
const MOST_LARGE_FILES = 2;
const LARGE = 16 * 1024 * 1024;

/** Hangs routes into a router; errors reach the error handler. */
export function mount(router: Router, routes: readonly AnyRoute[]): void {
  const files = limitFiles(MOST_FILES);
  const largeFiles = limitFiles(MOST_LARGE_FILES);
  for (const spec of routes) {
    const most = 'bytes' in spec ? spec.bytes : undefined;
    const isFile = most !== undefined;
    const parsers = isFile
      ? [most > LARGE ? largeFiles : files, raw({ type: () => true, limit: most })]
      : [json({ limit: '256kb' })];
    router[spec.method](spec.path, ...parsers, (request, response) => answer(spec, request, response));
  }
}
