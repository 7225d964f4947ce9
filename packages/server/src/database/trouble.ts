import { ProblemError } from '../http/problems.ts';

/** The server and its database cannot reach each other, or the database is going down or coming up. */
const GONE = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ENOTFOUND',
  'ETIMEDOUT',
  '57P01',
  '57P02',
  '57P03',
  '53300',
  '08000',
  '08001',
  '08003',
  '08006',
]);
/** It may well work the next time: a lock waited for too long, a statement that took too long, a deadlock. */
const BUSY = new Set(['55P03', '57014', '40001', '40P01']);

const codeOf = (error: unknown): string =>
  typeof error === 'object' && error !== null && 'code' in error && typeof error.code === 'string' ? error.code : '';

/** pg and the pool tell some of these by words only. */
const GONE_WORDS =
  /Connection (?:terminated|ended|lost)|Client has encountered a connection error|Client was closed|timeout exceeded when trying to connect|Timeout acquiring a connection/;

/** Whether an error means that the database is not there just now. */
export const isDatabaseGone = (error: unknown): boolean =>
  GONE.has(codeOf(error)) ||
  (error instanceof Error && (GONE_WORDS.test(error.message) || error.name === 'KnexTimeoutError')) ||
  (error instanceof AggregateError && error.errors.some(isDatabaseGone));

/**
 * The problem an error of the database stands for; undefined when it is none. What a rule of the database refuses is the
 * client's to put right (class 22: a value it cannot hold; 23: a row that contradicts another), never a fault of the server.
 */
export function problemOfDatabase(error: unknown): ProblemError | undefined {
  if (isDatabaseGone(error)) return new ProblemError('unavailable', 'The database does not answer. Try again shortly.');
  const code = codeOf(error);
  if (BUSY.has(code)) return new ProblemError('unavailable', 'Too much is being written just now. Try again shortly.');
  if (code.startsWith('22')) return new ProblemError('invalid-request', 'A value is outside what can be kept.');
  if (code.startsWith('23')) return new ProblemError('conflict', 'This contradicts what is kept already.');
  return undefined;
}
