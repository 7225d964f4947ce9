import type { Because, Refusal } from '../judgement/reasons.ts';
import { refuseNumber, refuseWorkedOut } from '../quantity/measure.ts';
import type { About, Evaluated, InputSpec, Inputs, Method, ReadingKind } from './kind.ts';

/** What becomes of an entry: refused at a field, questioned until confirmed, or taken. */
export type EntryCheck =
  | { readonly outcome: 'refused'; readonly input: string; readonly because: Refusal }
  | {
      readonly outcome: 'questioned' | 'taken';
      /** In the kind's unit; null when only a finding counts. */
      readonly value: number | null;
      readonly finding: string | null;
      readonly questions: readonly Because[];
    };

function refuseInput(spec: InputSpec, entered: number | string | undefined): Refusal | undefined {
  const isOptional = spec.type === 'number' && spec.optional === true;
  if (entered === undefined || entered === '') return isOptional ? undefined : { code: 'empty', numbers: {} };
  if (spec.type === 'several') {
    const known = [spec.none, ...spec.options].map((option) => option.value);
    const chosen = String(entered).split(',');
    const stranger = chosen.find((part) => !known.includes(part));
    if (stranger !== undefined) return { code: 'unknown-choice', numbers: { text: stranger.slice(0, 24) } };
    const twice = chosen.find((part, at) => chosen.indexOf(part) !== at);
    if (twice !== undefined) return { code: 'chosen-twice', numbers: { text: twice.slice(0, 24) } };
    return chosen.length > 1 && chosen.includes(spec.none.value)
      ? { code: 'none-and-some', numbers: { text: spec.none.label.slice(0, 24) } }
      : undefined;
  }
  if (spec.type === 'choice') {
    const known = spec.options.some((option) => option.value === entered);
    return known ? undefined : { code: 'unknown-choice', numbers: { text: String(entered).slice(0, 24) } };
  }
  if (entered === 'OL') return spec.overLimit ? undefined : { code: 'no-over-limit-here', numbers: {} };
  if (entered === 'jumps') return spec.jumps ? undefined : { code: 'no-jumps-here', numbers: {} };
  if (typeof entered !== 'number') return { code: 'not-a-number', numbers: { text: entered.slice(0, 24) } };
  return refuseNumber(entered, spec.unit);
}

/** Moves the decimal point one to three places either way and returns the first value that would be plausible. */
function movedPoint(value: number, low: number, high: number): number | null {
  for (const factor of [0.1, 10, 0.01, 100, 0.001, 1000]) {
    const moved = Number((value * factor).toPrecision(12));
    if (moved >= low && moved <= high) return moved;
  }
  return null;
}

function questionValue(kind: ReadingKind, value: number, about: About): Because[] {
  const plausible = kind.plausible(about);
  if (!plausible || (value >= plausible.low && value <= plausible.high)) return [];
  const { low, high } = plausible;
  return [
    {
      code: 'far-from-plausible',
      numbers: { value, low, high, unit: kind.unit, perhaps: movedPoint(value, low, high) },
    },
  ];
}

/** The input at which a value that cannot be is told: the last number typed, or the reading itself where none is. */
const numericInput = (method: Method): string => method.inputs.findLast((spec) => spec.type === 'number')?.id ?? '';

const judged = (evaluated: Extract<Evaluated, { outcome: 'taken' }>, asked: readonly Because[]): EntryCheck => ({
  outcome: asked.length > 0 ? 'questioned' : 'taken',
  value: evaluated.value,
  finding: evaluated.finding,
  questions: asked,
});

/**
 * Checks what was entered for a method, the same in browser and server. Refused: missing, not a number, below zero,
 * beyond any meter, an unknown choice or an unknown field; nothing of it may be saved. Questioned: outside what the
 * kind finds plausible, or doubtful by the method's own rule; may be kept once confirmed. Values are in the inputs' units;
 * `about` carries the conditions of the visit, which some values are worked out with.
 */
export function checkEntry(kind: ReadingKind, method: Method, inputs: Inputs, about: About): EntryCheck {
  const stranger = Object.keys(inputs).find((id) => !method.inputs.some((spec) => spec.id === id));
  if (stranger !== undefined) {
    return {
      outcome: 'refused',
      input: stranger,
      because: { code: 'unknown-field', numbers: { text: stranger.slice(0, 24) } },
    };
  }
  for (const spec of method.inputs) {
    const because = refuseInput(spec, inputs[spec.id]);
    if (because) return { outcome: 'refused', input: spec.id, because };
  }
  const evaluated = method.evaluate(inputs, about);
  if (evaluated.outcome === 'refused') return evaluated;
  const impossible = evaluated.value === null ? undefined : refuseWorkedOut(evaluated.value, kind.unit);
  if (impossible) return { outcome: 'refused', input: numericInput(method), because: impossible };
  // An open section reads nothing at all: that is a finding, not an implausible number.
  const isNumber = evaluated.value !== null && evaluated.finding === null;
  const asked = isNumber ? questionValue(kind, evaluated.value ?? 0, about) : [];
  return judged(evaluated, [...evaluated.questions, ...asked]);
}
