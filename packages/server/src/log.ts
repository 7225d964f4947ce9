import pino, { type DestinationStream, type LogFn, type Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import type { RequestHandler } from 'express';

type Told = Readonly<Record<string, unknown>>;

const text = (value: unknown): string | undefined => (typeof value === 'string' ? value : undefined);

/** The lines of a stack that say where, without the message at its head. */
const whereOf = (error: Error): string[] =>
  (error.stack ?? '')
    .split('\n')
    .filter((line) => line.startsWith('    at '))
    .map((line) => line.trim());

/** Messages of these quote what was sent, or the statement it was put into. */
const quotesInput = (error: Error): boolean =>
  error instanceof SyntaxError || error.name === 'ZodError' || 'severity' in error || 'routine' in error;

/**
 * An error as it is logged: what it is and where it came from. What a customer or technician wrote can stand in the
 * messages of the database and of parsers, so of those only code, table, column and constraint are told.
 */
export function tellError(error: unknown): Told {
  if (!(error instanceof Error)) return { type: typeof error };
  const { code, table, column, constraint } = error as unknown as Told;
  return {
    type: error.name,
    ...(quotesInput(error) ? {} : { message: error.message }),
    code: text(code),
    table: text(table),
    column: text(column),
    constraint: text(constraint),
    ...(error.cause === undefined ? {} : { cause: tellError(error.cause) }),
    ...(error instanceof AggregateError ? { errors: error.errors.map(tellError) } : {}),
    at: whereOf(error),
  };
}

type LogArguments = Parameters<LogFn>;

/** An error that is logged without words would lend its message, which may quote what was sent. */
function withOwnWords(this: Logger, args: LogArguments, method: LogFn): void {
  const [first, words] = args as readonly unknown[];
  if (first instanceof Error) method.call(this, { err: first }, typeof words === 'string' ? words : 'an error');
  else if (typeof first === 'object' && first !== null && words === undefined) method.call(this, first, 'no words');
  else method.apply(this, args);
}

/** The server's log. Errors go under `err`. */
export const createLog = (level: string, stream?: DestinationStream): Logger =>
  pino(
    { level, serializers: { err: tellError, error: tellError }, hooks: { logMethod: withOwnWords } },
    stream ?? pino.destination(1),
  );

interface Asked {
  readonly id?: unknown;
  readonly method?: string;
  readonly url?: string;
}

/** A path as it is logged: without what was asked for, and without the secret of a calendar or a report. */
const pathToLog = (url: string): string =>
  (url.split('?', 1)[0] ?? '').slice(0, 160).replace(/^(\/(?:calendar|report)\/).*/, '$1…');

/** Logs each request of the API by method and path: no query, no headers, no body, at any level. */
export const requestLog = (log: Logger): RequestHandler =>
  pinoHttp({
    logger: log,
    autoLogging: { ignore: (request) => !request.url?.startsWith('/api') },
    wrapSerializers: false,
    serializers: {
      req: ({ id, method, url }: Asked) => ({ id, method, path: url && pathToLog(url) }),
      res: ({ statusCode }: { statusCode: number }) => ({ statusCode }),
      err: tellError,
    },
  });
