import { parseMeasure, sayRefusal, type Inputs, type PlannedReading } from '@yarnix/core';

/** What was entered, as it stands in a field. */
export const textOf = (entered: number | string | undefined): string => (entered === undefined ? '' : String(entered));

/** What the texts of a field come to, before it is checked. */
export interface Typed {
  readonly inputs: Inputs;
  readonly missing: number;
  readonly refusal: { readonly input: string; readonly sentence: string } | null;
}

/** Reads the texts of a field's inputs; stops at the first that is no number. */
export function readTexts(planned: PlannedReading, texts: Readonly<Record<string, string>>): Typed {
  const inputs: Record<string, number | string> = {};
  let missing = 0;
  for (const spec of planned.method.inputs) {
    const text = (texts[spec.id] ?? '').trim();
    if (text === '') missing += 1;
    else if (spec.type === 'choice') inputs[spec.id] = text;
    else {
      const measure = parseMeasure(text, spec.unit, spec.overLimit);
      if (measure.outcome === 'refused')
        return { inputs, missing, refusal: { input: spec.id, sentence: sayRefusal(measure.because) } };
      inputs[spec.id] = measure.outcome === 'over-limit' ? 'OL' : measure.value;
    }
  }
  return { inputs, missing, refusal: null };
}
