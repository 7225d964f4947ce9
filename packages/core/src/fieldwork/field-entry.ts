import { parseMeasure } from '../quantity/measure.ts';
import { chosenIn } from '../readings/contract/window.ts';
import type { Input, Inputs } from '../readings/contract/entry.ts';
import type { PlannedReading } from '../round/plan-round.ts';
import type { Refusal } from '../verdict/reasons.ts';

/** What was entered, as it stands in a field: several choices joined by commas, as a text of one line. */
export const textOfInput = (entered: Input | undefined): string =>
  entered === undefined ? '' : typeof entered === 'object' ? entered.join(',') : String(entered);

/** What the texts of a field come to, before it is checked. */
export interface Typed {
  readonly inputs: Inputs;
  readonly missing: number;
  readonly refusal: { readonly input: string; readonly because: Refusal } | null;
}

/** Reads the texts of a field's inputs; stops at the first that is no number. */
export function readTexts(planned: PlannedReading, texts: Readonly<Record<string, string>>): Typed {
  const inputs: Record<string, Input> = {};
  let missing = 0;
  for (const spec of planned.method.inputs) {
    const text = (texts[spec.id] ?? '').trim();
    if (text === '') missing += spec.type === 'number' && spec.optional ? 0 : 1;
    else if (spec.type === 'several') inputs[spec.id] = chosenIn(text);
    else if (spec.type === 'choice') inputs[spec.id] = text;
    else {
      const measure = parseMeasure(text, spec.unit, spec.overLimit, spec.jumps);
      if (measure.outcome === 'refused')
        return { inputs, missing, refusal: { input: spec.id, because: measure.because } };
      inputs[spec.id] = measure.outcome === 'number' ? measure.value : measure.outcome === 'jumps' ? 'jumps' : 'OL';
    }
  }
  return { inputs, missing, refusal: null };
}

/** How many of a method's inputs must be there. */
export const requiredInputs = (planned: PlannedReading): number =>
  planned.method.inputs.filter((spec) => !(spec.type === 'number' && spec.optional)).length;

/** Whether two entries are the same. */
export const isSameEntry = (planned: PlannedReading, a: Inputs, b: Inputs): boolean =>
  planned.method.inputs.every(({ id }) => textOfInput(a[id]) === textOfInput(b[id]));
