import { problemSchema, type Problem } from '@yarnix/core';
import type { z } from 'zod';

/** The server answered that it will not do it, and why. */
export class ApiProblem extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }
}

/** The server could not be reached, or did not answer as it should. */
export class NoAnswer extends Error {}

const problemFrom = async (response: Response): Promise<ApiProblem | NoAnswer> => {
  const read = problemSchema.safeParse(await response.json().catch(() => undefined));
  return read.success && read.data.status < 500
    ? new ApiProblem(read.data)
    : new NoAnswer(`The server answered ${response.status}.`);
};

async function ask(path: string, init: RequestInit): Promise<unknown> {
  const response = await fetch(path, init).catch(() => undefined);
  if (!response) throw new NoAnswer('The server cannot be reached.');
  if (!response.ok) throw await problemFrom(response);
  return response.json();
}

export async function get<S extends z.ZodType>(path: string, schema: S, signal?: AbortSignal): Promise<z.output<S>> {
  return schema.parse(await ask(path, signal ? { signal } : {}));
}

/** Asks for something to begin or to be taken away; the reply is not needed. */
export const send = (method: 'POST' | 'DELETE', path: string): Promise<unknown> => ask(path, { method });

/** Sends a body to an address the client has chosen; repeating it does no harm. A picture goes as it is. */
export const put = (path: string, body: unknown): Promise<unknown> =>
  body instanceof Blob
    ? ask(path, { method: 'PUT', headers: { 'content-type': 'application/octet-stream' }, body })
    : ask(path, { method: 'PUT', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) });
