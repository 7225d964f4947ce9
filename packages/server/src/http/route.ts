import type { Request, Response, Router } from 'express';
import type { z } from 'zod';
import type { Permission, RequestContext } from '../identity/context.ts';
import { contextOf } from '../identity/context.ts';
import { ProblemError } from './problems.ts';

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
  readonly handle: (asked: {
    context: RequestContext;
    params: Out<P>;
    query: Out<Q>;
    body: Out<B>;
  }) => Promise<z.input<R>>;
}

// eslint-disable-next-line @typescript-eslint/no-explicit-any -- a list of routes holds routes of every shape
export type AnyRoute = RouteSpec<any, any, any, any>;

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
  const result = schema.safeParse(value);
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
  const reply: unknown = await spec.handle({
    context,
    params: read(spec.params as Shape | undefined, request.params, 'path'),
    query: read(spec.query as Shape | undefined, request.query, 'query'),
    body: read(spec.body as Shape | undefined, request.body, ''),
  });
  response.json(reply);
}

/** Hangs routes into a router; errors reach the error handler. */
export function mount(router: Router, routes: readonly AnyRoute[]): void {
  for (const spec of routes) router[spec.method](spec.path, (request, response) => answer(spec, request, response));
}
