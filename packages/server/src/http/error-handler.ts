import type { ErrorRequestHandler, RequestHandler, Response } from 'express';
import type { Logger } from 'pino';
import { notFound, ProblemError, problemOf } from './problems.ts';

const send = (response: Response, error: ProblemError): void => {
  const problem = problemOf(error);
  response.status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
};

/** Body-parser errors carry a type instead of a class. */
function parserProblem(error: unknown): ProblemError | undefined {
  const type = typeof error === 'object' && error !== null && 'type' in error ? error.type : undefined;
  if (type === 'entity.parse.failed')
    return new ProblemError('malformed-json', 'The body is not JSON. NaN and Infinity are no JSON numbers.');
  if (type === 'entity.too.large') return new ProblemError('too-large', 'The body is larger than this server takes.');
  return undefined;
}

/** Turns every error into problem+json; what is not foreseen is logged and told as "unexpected" without its insides. */
export const errorHandler =
  (log: Logger): ErrorRequestHandler =>
  (error: unknown, _request, response, next) => {
    if (response.headersSent) {
      next(error);
      return;
    }
    const known = error instanceof ProblemError ? error : parserProblem(error);
    if (!known) log.error({ err: error }, 'unexpected error');
    send(
      response,
      known ?? new ProblemError('unexpected', 'The server could not do this; nothing was saved. Try again.'),
    );
  };

/** For API paths nobody serves. */
export const apiNotFound: RequestHandler = (_request, response) => {
  send(response, notFound('address'));
};
