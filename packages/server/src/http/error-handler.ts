import type { ErrorRequestHandler, RequestHandler, Response } from 'express';
import type { Logger } from 'pino';
import { problemOfDatabase } from '../database/trouble.ts';
import { notFound, ProblemError, problemOf } from './problems.ts';

/** After how long a client may well try again, s. */
const RETRY_AFTER_S = 3;

/** Answers with a problem; one that passes by itself says when to try again. */
export const sendProblem = (response: Response, error: ProblemError): void => {
  const problem = problemOf(error);
  if (problem.status === 503 || problem.status === 429) response.setHeader('retry-after', RETRY_AFTER_S);
  response.status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
};

interface RequestTrouble {
  readonly status: number;
  readonly type: string;
}

/** Errors of the body parser and of the router carry a status, and most of them a type, instead of a class. */
function requestTrouble(error: unknown): RequestTrouble | undefined {
  if (typeof error !== 'object' || error === null) return undefined;
  const { status, type } = error as { status?: unknown; type?: unknown };
  if (typeof status !== 'number' || status < 400 || status > 499) return undefined;
  return { status, type: typeof type === 'string' ? type : '' };
}

/** What is wrong with a request that never came to its route: it is the client's, whatever it was. */
function requestProblem(error: unknown): ProblemError | undefined {
  const trouble = requestTrouble(error);
  if (!trouble) return undefined;
  if (trouble.type === 'entity.parse.failed')
    return new ProblemError('malformed-json', 'The body is not JSON. NaN and Infinity are no JSON numbers.');
  if (trouble.type === 'entity.too.large' || trouble.status === 413)
    return new ProblemError('too-large', 'The body is larger than this server takes.');
  if (trouble.status === 415)
    return new ProblemError('unreadable-encoding', 'Send JSON as UTF-8, plain or compressed with gzip.');
  if (trouble.status === 404) return notFound('address');
  return new ProblemError('malformed-request', 'The request cannot be read as it was sent.');
}

/** Turns every error into problem+json; what is not foreseen is logged and told as "unexpected" without its insides. */
export const errorHandler =
  (log: Logger): ErrorRequestHandler =>
  (error: unknown, request, response, next) => {
    // Whoever hung up is told nothing, and it is nobody's fault.
    if (request.socket.destroyed) {
      response.destroy();
      return;
    }
    const known = error instanceof ProblemError ? error : (requestProblem(error) ?? problemOfDatabase(error));
    if (!known) log.error({ err: error }, 'unexpected error');
    else if (known.code === 'unavailable') log.warn({ err: error }, 'not available');
    if (response.headersSent) {
      next(error);
      return;
    }
    sendProblem(
      response,
      known ?? new ProblemError('unexpected', 'The server could not do this; nothing was saved. Try again.'),
    );
  };

/** For API paths nobody serves. */
export const apiNotFound: RequestHandler = (_request, response) => {
  sendProblem(response, notFound('address'));
};
