import { chosenIn, methodOf, readingKind, titleOf, type NewReading, type Point } from '@yarnix/core';

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

/** What a PUT carries, by its address: the second word of it, or "closing". */
type Carries =
  'visits' | 'closing' | 'readings' | 'components' | 'loose-ends' | 'follow-ups' | 'events' | 'photos' | 'other';

const CARRIED: readonly Carries[] = [
  'visits',
  'readings',
  'components',
  'loose-ends',
  'follow-ups',
  'events',
  'photos',
];

export function carriedBy({ path }: Pick<Outgoing, 'path'>): Carries {
  if (path.endsWith('/closing')) return 'closing';
  const word = path.split('/')[2];
  return CARRIED.find((known) => known === word) ?? 'other';
}

/** The reading that is sent; null when it is something else. */
export const readingIn = (outgoing: Pick<Outgoing, 'path' | 'body'>): NewReading | null =>
  carriedBy(outgoing) === 'readings' ? (outgoing.body as NewReading) : null;

/** What was entered, as the method asks for it: "38.4 µF", "12.6 A, 290 V", or a choice's own words. */
function inputWords({ kind: id, method, inputs }: NewReading): string {
  const kind = readingKind(id);
  const specs = (kind && methodOf(kind, method)?.inputs) ?? [];
  const said = Object.entries(inputs).map(([name, value]) => {
    const spec = specs.find((s) => s.id === name);
    if (spec?.type === 'number') return typeof value === 'number' ? `${value} ${spec.unit}` : String(value);
    const options = spec?.type === 'several' ? [spec.none, ...spec.options] : (spec?.options ?? []);
    const chosen = chosenIn(value);
    return chosen.map((c) => options.find((o) => o.value === c)?.label ?? c).join(', ');
  });
  return said.join(', ');
}

/** What a PUT carries, in words: "Capacitance, HERM: 38.4 µF". */
export function outgoingWords(outgoing: Pick<Outgoing, 'path' | 'body'>): string {
  const body = (outgoing.body ?? {}) as Record<string, unknown>;
  switch (carriedBy(outgoing)) {
    case 'visits':
      return 'The start of the round';
    case 'closing':
      return 'The close of the round';
    case 'readings': {
      const reading = outgoing.body as NewReading;
      const kind = readingKind(reading.kind);
      const title = kind ? titleOf(kind, reading.point) : reading.kind;
      return `${title}: ${inputWords(reading) || 'worked out'}`;
    }
    case 'components':
      return `A part replaced${typeof body.reason === 'string' ? `: ${body.reason}` : ''}`;
    case 'loose-ends':
      return `A loose end${typeof body.text === 'string' && body.text ? `: ${body.text}` : ''}`;
    case 'follow-ups': {
      const kind = readingKind(String(body.kind));
      return `Put off: ${kind ? titleOf(kind, body.point as Point) : String(body.kind)}`;
    }
    case 'events':
      return 'A repair noted';
    case 'photos':
      return 'A photo';
    case 'other':
      return 'An entry';
  }
}

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
