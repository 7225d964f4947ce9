import type { Because, ReasonNumbers, Refusal } from '../verdict/reasons.ts';
import { refuseNumber, refuseWorkedOut } from '../quantity/measure.ts';
import type { Finding } from '../verdict/findings.ts';
import type { About, Evaluated, Input, InputSpec, Inputs, Method } from './contract/entry.ts';
import type { NumericKind, ReadingKind } from './contract/kind.ts';
import { chosenIn } from './contract/window.ts';

/** What becomes of an entry: refused at a field, questioned until confirmed, or taken. */
export type EntryCheck =
  | { readonly outcome: 'refused'; readonly input: string; readonly because: Refusal }
  | {
      readonly outcome: 'questioned' | 'taken';
      /** In the kind's unit; null when only a finding counts. */
      readonly value: number | null;
      readonly findings: readonly Finding[];
      /** What was entered, in the form it is kept in. */
      readonly inputs: Inputs;
      readonly questions: readonly Because[];
    };

function refuseInput(spec: InputSpec, entered: Input | undefined): Refusal | undefined {
  const isOptional = spec.type === 'number' && spec.optional === true;
  if (entered === undefined || entered === '') return isOptional ? undefined : { code: 'empty', numbers: {} };
  if (spec.type === 'several') {
    const known = [spec.none, ...spec.options].map((option) => option.value);
    const chosen = chosenIn(entered);
    if (chosen.length === 0) return { code: 'empty', numbers: {} };
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
  if (typeof entered !== 'number') return { code: 'not-a-number', numbers: { text: String(entered).slice(0, 24) } };
  return refuseNumber(entered, spec.unit);
}

/** By how much a decimal point slips, the likeliest first. */
const SLIPS = [0.1, 10, 0.01, 100, 0.001, 1000] as const;

/** An input as it may have been meant; its label is empty where it is the only number asked for. */
export type Meant = NonNullable<ReasonNumbers['far-from-plausible']['perhaps']>;

/**
 * What may have been meant: the one input whose decimal point, moved one to three places, makes the entry plausible. It is
 * what was typed that is put right, not what was worked out of it; null where no input explains it, or more than one could.
 */
function slipIn(
  { unitSlips = [] }: NumericKind,
  method: Method,
  inputs: Inputs,
  about: About,
  isPlausible: (value: number) => boolean,
): Meant | null {
  const isAlone = method.inputs.filter(({ type }) => type === 'number').length === 1;
  const meantAt = (spec: InputSpec): Meant[] => {
    const typed = inputs[spec.id];
    if (spec.type !== 'number' || typeof typed !== 'number' || typed === 0) return [];
    for (const factor of [...unitSlips, ...SLIPS]) {
      const value = Number((typed * factor).toPrecision(12));
      if (refuseInput(spec, value)) continue;
      const made = method.evaluate({ ...inputs, [spec.id]: value }, about);
      if (made.outcome !== 'taken' || made.value === null || made.findings.length + made.questions.length > 0) continue;
      if (isPlausible(made.value)) return [{ input: spec.id, label: isAlone ? '' : spec.label, value }];
    }
    return [];
  };
  const [one, ...others] = method.inputs.flatMap(meantAt);
  return one && others.length === 0 ? one : null;
}

function questionValue(kind: NumericKind, method: Method, inputs: Inputs, value: number, about: About): Because[] {
  const plausible = kind.plausible(about);
  // What draws nothing does not run: that is judged by its state, and no slip.
  if (!plausible || (value === 0 && kind.unit === 'A')) return [];
  const { low, high } = plausible;
  const isPlausible = (v: number) => v >= low && v <= high;
  if (isPlausible(value)) return [];
  const perhaps = slipIn(kind, method, inputs, about, isPlausible);
  return [{ code: 'far-from-plausible', numbers: { value, low, high, unit: kind.unit, perhaps } }];
}

/** The input at which a value that cannot be is told: the last number typed, or the reading itself where none is. */
const numericInput = (method: Method): string => method.inputs.findLast((spec) => spec.type === 'number')?.id ?? '';

/** What is asked of a value before it is kept. What was found instead of a number is no implausible number. */
function questionsOf(
  kind: ReadingKind,
  method: Method,
  inputs: Inputs,
  { value, findings, questions }: Extract<Evaluated, { outcome: 'taken' }>,
  about: About,
): Because[] {
  const asked = kind.type === 'number' && value !== null && findings.length === 0;
  return [...questions, ...(asked ? questionValue(kind, method, inputs, value, about) : [])];
}

/** Several choices are kept as lists, whatever a device sent them as. */
const kept = (method: Method, inputs: Inputs): Inputs =>
  Object.fromEntries(
    Object.entries(inputs).map(([id, entered]) => {
      const isSeveral = method.inputs.some((spec) => spec.id === id && spec.type === 'several');
      return [id, isSeveral ? chosenIn(entered) : entered];
    }),
  );

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
  const inputsKept = kept(method, inputs);
  const evaluated = method.evaluate(inputsKept, about);
  if (evaluated.outcome === 'refused') return evaluated;
  const { value, findings } = evaluated;
  const impossible = value === null || kind.type === 'finding' ? undefined : refuseWorkedOut(value, kind.unit);
  if (impossible) return { outcome: 'refused', input: numericInput(method), because: impossible };
  const questions = questionsOf(kind, method, inputsKept, evaluated, about);
  return { outcome: questions.length > 0 ? 'questioned' : 'taken', value, findings, inputs: inputsKept, questions };
}
