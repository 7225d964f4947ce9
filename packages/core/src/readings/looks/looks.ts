import type { ComponentKind, Point } from '../../equipment/component.ts';
import type { FindingCode } from '../../verdict/findings.ts';
import type { SeveralSpec, StopId, Where } from '../contract/entry.ts';
import type { ReadingKindId } from '../contract/kind-ids.ts';
import type { FindingKind } from '../contract/kind.ts';
import { choices, found, severalIn } from '../contract/window.ts';

/** What was seen, as one entry of several choices: one tap when nothing was found. */
export function looksOf(looks: {
  id: ReadingKindId;
  title: string;
  component: ComponentKind;
  method: string;
  stop: StopId;
  order: number;
  none: { value: FindingCode; label: string };
  options: Partial<Record<FindingCode, string>>;
  points?: readonly Point[];
  /** Where it is looked over on machines that have it elsewhere. */
  stopsFor?: (where: Where) => readonly StopId[] | null;
  /** What its plate says of it; by eye, where nothing. */
  plateLine?: (where: Where) => string;
  /** The choice that tells of ice outdoors. */
  ice?: FindingCode;
}): FindingKind {
  const input: SeveralSpec = {
    id: 'seen',
    type: 'several',
    label: looks.title,
    none: looks.none,
    options: choices(looks.options),
  };
  return {
    type: 'finding',
    id: looks.id,
    title: looks.title,
    component: looks.component,
    plateLine: looks.plateLine ?? (() => 'by eye, ear and nose'),
    ...(looks.ice && {
      tells: ({ findings }, conditions) =>
        findings.includes(looks.ice ?? '') ? { ...conditions, iceSeen: true } : conditions,
    }),
    methods: [
      {
        id: 'seen',
        title: looks.method,
        stops: [looks.stop],
        ...(looks.stopsFor && { stopsFor: looks.stopsFor }),
        order: looks.order,
        points: () => looks.points ?? ['whole'],
        usual: () => ({ seen: [looks.none.value] }),
        inputs: [input],
        evaluate: (inputs) => {
          const seen = severalIn(inputs, input) as FindingCode[];
          return found(seen.length > 0 ? seen : looks.none.value);
        },
      },
    ],
  };
}
