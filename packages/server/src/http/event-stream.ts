import type { Response } from 'express';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { ProblemError, problemOf } from './problems.ts';

export interface EventStreamOptions {
  /** The stream is ended after this long, ms. */
  readonly longestMs: number;
  /** A client that has not taken the rest within this time after the end is hung up on, ms. */
  readonly graceMs?: number;
}

const GRACE_MS = 5000;

const told = (event: unknown): string => `data: ${JSON.stringify(event)}\n\n`;

/** The next event, or what was thrown in its place; what a client's going away throws in at a yield never comes here. */
async function nextOf(events: AsyncIterator<unknown>): Promise<IteratorResult<unknown> | { readonly thrown: unknown }> {
  try {
    return await events.next();
  } catch (thrown) {
    return { thrown };
  }
}

/** The events as text, until there are none left, or the time is up; what is thrown on the way becomes the last of them. */
async function* asText(
  events: AsyncIterator<unknown>,
  isOver: () => boolean,
  onError: (error: unknown) => void,
): AsyncGenerator<string> {
  try {
    for (let next = await nextOf(events); !isOver(); next = await nextOf(events)) {
      if ('thrown' in next) {
        onError(next.thrown);
        const known = next.thrown instanceof ProblemError ? next.thrown : undefined;
        yield `event: problem\n${told(problemOf(known ?? new ProblemError('unexpected', 'The stream broke off.')))}`;
        return;
      }
      if (next.done) return;
      yield told(next.value);
    }
  } finally {
    await events.return?.();
  }
}

/**
 * Answers with server-sent events. The next one is asked for only once the client has room for it; the stream ends by
 * itself, when its time is up, or when the client goes; a client that reads no more is hung up on. On every way out the
 * events' own iterator is closed (which must clear its timers), and nothing it throws leaves this stream.
 */
export async function streamEvents(
  response: Response,
  events: AsyncIterable<unknown>,
  { longestMs, graceMs = GRACE_MS }: EventStreamOptions,
): Promise<void> {
  // Buffered by nobody on the way: a figure that comes late is no live figure.
  response.set({
    'content-type': 'text/event-stream',
    'cache-control': 'no-store, no-transform',
    'x-accel-buffering': 'no',
  });
  response.flushHeaders();
  const ends = Date.now() + longestMs;
  const hangUp = setTimeout(() => response.destroy(), longestMs + graceMs);
  const { log } = response.req;
  const text = asText(
    events[Symbol.asyncIterator](),
    () => Date.now() >= ends,
    (error) => log.error({ err: error }, 'a stream broke off'),
  );
  try {
    await pipeline(Readable.from(text, { highWaterMark: 1 }), response);
  } catch (error) {
    // The client went, or read no more: that is how most streams end.
    log.debug({ err: error }, 'a stream was hung up on');
  } finally {
    clearTimeout(hangUp);
  }
}
