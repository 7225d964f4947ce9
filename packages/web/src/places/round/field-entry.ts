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
    if (text === '') missing += spec.type === 'number' && spec.optional ? 0 : 1;
    else if (spec.type !== 'number') inputs[spec.id] = text;
    else {
      const measure = parseMeasure(text, spec.unit, spec.overLimit, spec.jumps);
      if (measure.outcome === 'refused')
        return { inputs, missing, refusal: { input: spec.id, sentence: sayRefusal(measure.because) } };
      inputs[spec.id] = measure.outcome === 'number' ? measure.value : measure.outcome === 'jumps' ? 'jumps' : 'OL';
    }
  }
  return { inputs, missing, refusal: null };
}

/** How many of a method's inputs must be there. */
export const requiredInputs = (planned: PlannedReading): number =>
  planned.method.inputs.filter((spec) => !(spec.type === 'number' && spec.optional)).length;
