import { chosenIn, methodOf, readingKind, titleOf, type NewReading, type Point } from '@yarnix/core';
import { carriedBy, type Outgoing } from './outgoing.ts';

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
    case 'call':
      return 'What the call is about';
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
    case 'ruling':
      return `A verdict overruled${typeof body.why === 'string' ? `: ${body.why}` : ''}`;
    case 'events':
      return 'A repair noted';
    case 'photos':
      return 'A photo';
    case 'meters':
      return 'A meter held against something known';
    case 'other':
      return 'An entry';
  }
}
