import type { Problem } from '@yarnix/core';
import { replySchema, type Reply, type ReplyName } from './replies/index.ts';

/** The server answered that it will not do it, and why. */
export class ApiProblem extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }
}

/** The server could not be reached, did not answer as it should, or asks to be asked again. */
export class NoAnswer extends Error {
  constructor(
    message: string,
    /** After how long it wants to be asked again, ms; null when it did not say. */
    readonly retryAfterMs: number | null = null,
  ) {
    super(message);
  }
}

/** What passes by itself: a server that is going down, coming up, or has too much to do. All else is an answer. */
const PASSES = new Set([429, 502, 503, 504]);
/** A picture over a poor line takes its time; nothing else does. */
const LONGEST_MS = 30_000;
const LONGEST_PICTURE_MS = 120_000;

function retryAfterOf(response: Response): number | null {
  const seconds = Number(response.headers.get('retry-after'));
  return Number.isFinite(seconds) && seconds > 0 ? seconds * 1000 : null;
}

async function troubleFrom(response: Response): Promise<ApiProblem | NoAnswer> {
  if (PASSES.has(response.status)) {
    return new NoAnswer(`The server answered ${response.status}.`, retryAfterOf(response));
  }
  const json: unknown = await response.json().catch(() => undefined);
  const read = (await replySchema('problemSchema')).safeParse(json);
  if (read.success) return new ApiProblem(read.data);
  const detail = `The server answered ${response.status} without a reason.`;
  const base = { type: 'about:blank', title: 'The server did not take it', code: 'no-reason' };
  return new ApiProblem({ ...base, status: response.status, detail });
}

let clockOff = 0;

/** How far this device's clock was ahead of the server's when it last answered, ms; negative when behind, 0 before that. */
export const clockOffMs = (): number => clockOff;

function noteClock(response: Response): void {
  const theirs = Date.parse(response.headers.get('date') ?? '');
  if (Number.isFinite(theirs)) clockOff = Date.now() - theirs;
}

async function ask(path: string, init: RequestInit): Promise<unknown> {
  const response = await fetch(path, init).catch(() => undefined);
  if (!response) throw new NoAnswer('The server cannot be reached.');
  noteClock(response);
  if (!response.ok) throw await troubleFrom(response);
  // A page that stands between this device and the server (a sign-in of some network) answers too, but not with JSON.
  const json: unknown = await response.json().catch(() => undefined);
  if (json === undefined) throw new NoAnswer('Something else than the server answered.');
  return json;
}

/** Asks for what is at a path, and holds the answer against its schema. */
export async function get<Name extends ReplyName>(
  path: string,
  reply: Name,
  signal?: AbortSignal,
): Promise<Reply<Name>> {
  const [json, schema] = await Promise.all([ask(path, signal ? { signal } : {}), replySchema(reply)]);
  return schema.parse(json);
}

/** Asks for something to begin or to be taken away; the reply is not needed. */
export const send = (method: 'POST' | 'DELETE', path: string): Promise<unknown> => ask(path, { method });

/** Sends a body where the answer matters, and holds that against its schema. */
export async function change<Name extends ReplyName>(
  method: 'POST' | 'PUT',
  path: string,
  body: unknown,
  reply: Name,
): Promise<Reply<Name>> {
  const init = { method, headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) };
  const [json, schema] = await Promise.all([ask(path, { ...init, ...within(LONGEST_MS) }), replySchema(reply)]);
  return schema.parse(json);
}

/** A signal that gives up after a time, where the browser has it. */
const within = (ms: number): { signal?: AbortSignal } =>
  'timeout' in AbortSignal ? { signal: AbortSignal.timeout(ms) } : {};

/** Sends a body to an address the client has chosen; repeating it does no harm. A picture goes as it is. */
export const put = (path: string, body: unknown): Promise<unknown> =>
  body instanceof Blob
    ? ask(path, {
        method: 'PUT',
        headers: { 'content-type': 'application/octet-stream' },
        body,
        ...within(LONGEST_PICTURE_MS),
      })
    : ask(path, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
        ...within(LONGEST_MS),
      });
