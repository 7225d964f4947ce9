import type { ComponentKind, Point } from '../equipment/component.ts';
import type { FindingCode } from '../judgement/findings.ts';
import type { InputSpec, ReadingKind, StopId } from './kind.ts';
import { choices, found, judgeFindings, noBasis, severalIn, unworn } from './window.ts';

/** What was seen, as one entry of several choices: one tap when nothing was found. */
export function looksOf(looks: {
  id: string;
  title: string;
  component: ComponentKind;
  method: string;
  stop: StopId;
  order: number;
  none: { value: FindingCode; label: string };
  options: Partial<Record<FindingCode, string>>;
  points?: readonly Point[];
}): ReadingKind {
  const input: Extract<InputSpec, { type: 'several' }> = {
    id: 'seen',
    type: 'several',
    label: looks.title,
    none: looks.none,
    options: choices(looks.options),
  };
  return {
    id: looks.id,
    title: looks.title,
    component: looks.component,
    unit: '%',
    decimals: 0,
    plateLine: () => 'by eye, ear and nose',
    ...unworn,
    movedBy: [],
    plateDecides: () => true,
    methods: [
      {
        id: 'seen',
        title: looks.method,
        stops: [looks.stop],
        order: looks.order,
        points: () => looks.points ?? ['whole'],
        usual: () => ({ seen: looks.none.value }),
        inputs: [input],
        evaluate: (inputs) => found(severalIn(inputs, input).join(',') || looks.none.value),
        error: () => 0,
      },
    ],
    limits: () => noBasis('no-limit'),
    plausible: () => null,
    judgeFinding: judgeFindings,
  };
}
