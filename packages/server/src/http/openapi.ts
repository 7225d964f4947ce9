import { problemSchema } from '@yarnix/core';
import { z } from 'zod';
import type { AnyRoute } from './route.ts';

const schemaOf = (schema: z.ZodType, io: 'input' | 'output') => z.toJSONSchema(schema, { io, unrepresentable: 'any' });

function parametersOf(schema: z.ZodType | undefined, where: 'path' | 'query') {
  if (!(schema instanceof z.ZodObject)) return [];
  return Object.entries(schema.shape as Record<string, z.ZodType>).map(([name, part]) => ({
    name,
    in: where,
    required: where === 'path' || !part.safeParse(undefined).success,
    schema: schemaOf(part, 'input'),
  }));
}

function operationOf(route: AnyRoute) {
  const isJson = 'reply' in route;
  const body = isJson ? (route.body as z.ZodType | undefined) : undefined;
  const isLater = isJson && route.follow !== undefined;
  const takesFile = isJson && route.bytes !== undefined;
  const bytes = { schema: { type: 'string', format: 'binary' } };
  return {
    summary: route.summary,
    'x-permission': route.permission,
    parameters: [
      ...parametersOf(route.params as z.ZodType | undefined, 'path'),
      ...parametersOf(route.query as z.ZodType | undefined, 'query'),
    ],
    ...(body
      ? { requestBody: { required: true, content: { 'application/json': { schema: schemaOf(body, 'input') } } } }
      : {}),
    ...(takesFile ? { requestBody: { required: true, content: { 'application/octet-stream': bytes } } } : {}),
    responses: {
      [isLater ? 202 : 200]: {
        description: isLater ? 'Taken on; how far it is stands at the address in Location' : 'Done',
        content: isJson
          ? { 'application/json': { schema: schemaOf(route.reply as z.ZodType, 'output') } }
          : { '*/*': bytes },
      },
      default: {
        description: 'A problem (RFC 9457)',
        content: { 'application/problem+json': { schema: schemaOf(problemSchema, 'output') } },
      },
    },
  };
}

/** The OpenAPI description of the routes, made from the same schemas that check the requests. */
export function openApi(routes: readonly AnyRoute[]) {
  const paths: Record<string, Record<string, unknown>> = {};
  for (const route of routes) {
    const path = route.path.replace(/:(\w+)/g, '{$1}');
    paths[path] = { ...paths[path], [route.method]: operationOf(route) };
  }
  return { openapi: '3.1.0', info: { title: 'Yarnix', version: '0.1.0' }, paths };
}
