import type { Request, RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import { sendProblem } from './error-handler.ts';
import { ProblemError } from './problems.ts';

/** How much one client may ask at once and in a while; a technician's phone needs a hundredth of it. */
export interface ClientLimits {
  /** Requests under way at a time, streams among them. */
  readonly atOnce: number;
  /** Requests a minute. */
  readonly aMinute: number;
}
export const USUAL_LIMITS: ClientLimits = { atOnce: 80, aMinute: 30_000 };

const LOOPBACK = ['localhost', '127.0.0.1', '[::1]'];
const SAFE = new Set(['GET', 'HEAD', 'OPTIONS']);

const clientOf = (request: Request): string => request.socket.remoteAddress ?? '';
const nameOf = (host: string): string => host.replace(/:\d{1,5}$/, '').toLowerCase();

/** Serves only the hosts it is meant for, so that a name somebody points here cannot read it through a browser. */
export const onlyHosts = (allowed: readonly string[]): RequestHandler => {
  const hosts = new Set([...LOOPBACK, ...allowed.map((host) => host.toLowerCase())]);
  return (request, response, next) => {
    if (hosts.has(nameOf(request.headers.host ?? ''))) next();
    else sendProblem(response, new ProblemError('wrong-host', 'This server does not serve that host.'));
  };
};

/** Whether a browser says that a page of another site made the request; programs other than browsers say nothing. */
function isForeign({ headers }: Request): boolean {
  const { origin } = headers;
  if (origin !== undefined) return !URL.canParse(origin) || new URL(origin).host !== headers.host;
  const site = headers['sec-fetch-site'];
  return site !== undefined && site !== 'same-origin' && site !== 'none';
}

/** What changes something must come from the app's own pages: the person's sign-in is no other site's to use. */
export const ownOriginOnly: RequestHandler = (request, response, next) => {
  if (SAFE.has(request.method) || !isForeign(request)) next();
  else sendProblem(response, new ProblemError('foreign-origin', 'Only the app’s own pages may change anything.'));
};

/** Nothing of a firm stays behind in a cache between here and the app; photos say otherwise themselves. */
export const keptByNobody: RequestHandler = (_request, response, next) => {
  response.setHeader('cache-control', 'no-store');
  next();
};

/** Refuses a client more than so many requests under way at a time. */
function atOnce(most: number): RequestHandler {
  const underWay = new Map<string, number>();
  return (request, response, next) => {
    const client = clientOf(request);
    const now = underWay.get(client) ?? 0;
    if (now >= most) {
      sendProblem(response, new ProblemError('too-many', 'Too many requests at once. Try again shortly.'));
      return;
    }
    underWay.set(client, now + 1);
    response.once('close', () => {
      const left = (underWay.get(client) ?? 1) - 1;
      if (left > 0) underWay.set(client, left);
      else underWay.delete(client);
    });
    next();
  };
}

/**
 * Refuses files beyond so many under way at a time, whoever sends them: each is held whole while it comes. Counted over the
 * server, before anything of the body is read.
 */
export function limitFiles(most: number): RequestHandler {
  let underWay = 0;
  return (_request, response, next) => {
    if (underWay >= most) {
      sendProblem(response, new ProblemError('unavailable', 'Many files come in just now. Try again shortly.'));
      return;
    }
    underWay += 1;
    response.once('close', () => (underWay -= 1));
    next();
  };
}

/** Refuses one client more than its share of the server. */
export const limitClients = (limits: ClientLimits): RequestHandler[] => [
  rateLimit({
    windowMs: 60_000,
    limit: limits.aMinute,
    standardHeaders: false,
    legacyHeaders: false,
    keyGenerator: clientOf,
    handler: (_request, response) =>
      sendProblem(response, new ProblemError('too-many', 'Too many requests. Try again in a minute.')),
  }),
  atOnce(limits.atOnce),
];
