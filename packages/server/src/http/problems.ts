import type { Problem } from '@yarnix/core';

/** Every error the API answers with: stable code, HTTP status and title. docs/problems.md explains each. */
export const PROBLEMS = {
  'malformed-request': { status: 400, title: 'The request cannot be read' },
  'malformed-json': { status: 400, title: 'The body is not readable JSON' },
  'invalid-request': { status: 422, title: 'Some fields cannot be taken as they are' },
  'entry-refused': { status: 422, title: 'The reading cannot be taken as it is' },
  'needs-confirmation': { status: 422, title: 'The reading is unlikely and must be confirmed' },
  'unknown-reading': { status: 422, title: 'There is no such reading on this part' },
  'rating-unreadable': { status: 422, title: 'The rating cannot be read' },
  'replacement-refused': { status: 422, title: 'The replacement rule refuses this part' },
  'parts-do-not-match': { status: 422, title: 'The parts are not those of this kind of system' },
  'table-refused': { status: 422, title: 'The pressure–temperature table cannot be taken' },
  'file-unreadable': { status: 422, title: 'The file cannot be read as a sheet' },
  'photo-refused': { status: 422, title: 'The photo cannot be taken as it is' },
  'no-probe-here': { status: 422, title: 'No probe serves this field' },
  'clock-off': { status: 422, title: 'The device’s clock is off' },
  'foreign-origin': { status: 403, title: 'The request comes from another site' },
  'not-allowed': { status: 403, title: 'This person may not do that' },
  'not-found': { status: 404, title: 'Not found' },
  'id-taken': { status: 409, title: 'The id belongs to something else' },
  'already-superseded': { status: 409, title: 'That reading has been corrected already' },
  'visit-closed': { status: 409, title: 'The round is closed' },
  'part-removed': { status: 409, title: 'That part is no longer fitted' },
  'loose-ends-open': { status: 409, title: 'Something still hangs loose' },
  'refit-state': { status: 409, title: 'The refit is not in a state for that' },
  'import-state': { status: 409, title: 'The import is not in a state for that' },
  conflict: { status: 409, title: 'It contradicts what is kept' },
  'unreadable-encoding': { status: 415, title: 'The body is in an encoding this server does not read' },
  'wrong-host': { status: 421, title: 'This server does not serve that host' },
  'too-many': { status: 429, title: 'Too much at once' },
  'too-large': { status: 413, title: 'The body is too large' },
  unavailable: { status: 503, title: 'Not available just now' },
  unexpected: { status: 500, title: 'Something went wrong on the server' },
} as const;

export type ProblemCode = keyof typeof PROBLEMS;

/** Thrown anywhere below a route; becomes problem+json. */
export class ProblemError extends Error {
  constructor(
    readonly code: ProblemCode,
    readonly detail: string,
    readonly errors: NonNullable<Problem['errors']> = [],
  ) {
    super(`${code}: ${detail}`);
  }
}

export function problemOf(error: ProblemError): Problem {
  const { status, title } = PROBLEMS[error.code];
  const base = { type: `/docs/problems#${error.code}`, title, status, code: error.code, detail: error.detail };
  return error.errors.length > 0 ? { ...base, errors: error.errors } : base;
}

/** For what a store did not find among the firm's own rows. */
export const notFound = (what: string): ProblemError => new ProblemError('not-found', `There is no such ${what}.`);
