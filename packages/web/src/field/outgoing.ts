import type { NewReading } from '@yarnix/core';

/** A PUT that is to reach the server, in the order it was made. */
export interface Outgoing {
  /** Given by the store. */
  order?: number;
  readonly path: string;
  readonly body: unknown;
  readonly visitId: string;
  /** The id of what it carries. */
  readonly id: string;
}

/** What the server understood and would not take: nothing typed is dropped, somebody decides about it. */
export interface SetAside extends Outgoing {
  readonly order: number;
  /** The server's reason, and its code. */
  readonly why: string;
  readonly code: string;
}

/** What a PUT carries, by its address: the second word of it, or its end. */
type Carries =
  | 'ruling'
  | 'visits'
  | 'closing'
  | 'call'
  | 'readings'
  | 'components'
  | 'loose-ends'
  | 'follow-ups'
  | 'events'
  | 'photos'
  | 'meters'
  | 'other';

const CARRIED: readonly Carries[] = [
  'visits',
  'readings',
  'components',
  'loose-ends',
  'follow-ups',
  'events',
  'photos',
  'meters',
];

export function carriedBy({ path }: Pick<Outgoing, 'path'>): Carries {
  if (path.endsWith('/closing')) return 'closing';
  if (path.endsWith('/call')) return 'call';
  if (path.endsWith('/ruling')) return 'ruling';
  const word = path.split('/')[2];
  return CARRIED.find((known) => known === word) ?? 'other';
}

/** The reading that is sent; null when it is something else. */
export const readingIn = (outgoing: Pick<Outgoing, 'path' | 'body'>): NewReading | null =>
  carriedBy(outgoing) === 'readings' ? (outgoing.body as NewReading) : null;

/** Fields of bodies that are moments of this device's clock. */
const MOMENTS = ['takenAt', 'startedAt', 'closedAt', 'openedAt', 'putBackAt', 'putOffAt'] as const;

/** The same PUT as a clock would have dated it that is so much earlier, ms. */
export function redated(outgoing: Outgoing, ms: number): Outgoing {
  const body = { ...(outgoing.body as Record<string, unknown>) };
  for (const name of MOMENTS) {
    const moment = body[name];
    if (typeof moment === 'string') body[name] = new Date(Date.parse(moment) - ms).toISOString();
  }
  return { ...outgoing, body };
}
