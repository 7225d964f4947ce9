import { findingsOf } from '../judgement/findings.ts';
import type { Judgement } from '../judgement/judgement.ts';
import type { Because } from '../judgement/reasons.ts';
import type { Doubt, Need, Rule, Snag } from '../judgement/rules.ts';
import { worstOf } from '../judgement/standing.ts';
import type { Choice, Evaluated, Inputs, InputSpec, Limits } from './kind.ts';

type Sides = Partial<Record<'nominal' | 'lower' | 'upper' | 'watchLower' | 'watchUpper', number>>;

/** Limits of the window family, in the kind's unit: either side may be open. */
export function windowLimits(rule: Rule, sides: Sides): Limits {
  const lower = sides.lower ?? null;
  const upper = sides.upper ?? null;
  const middle = lower !== null && upper !== null ? (lower + upper) / 2 : (lower ?? upper ?? 0);
  return {
    known: true,
    family: 'window',
    rule,
    nominal: sides.nominal ?? middle,
    lower,
    upper,
    watchLower: sides.watchLower ?? null,
    watchUpper: sides.watchUpper ?? null,
  };
}

/** A window of so many per cent either side of a nominal value, watched from 70 % of the way on. */
export function around(rule: Rule, nominal: number, percent: number): Limits {
  const off = (nominal * percent) / 100;
  return windowLimits(rule, {
    nominal,
    lower: nominal - off,
    upper: nominal + off,
    watchLower: nominal - 0.7 * off,
    watchUpper: nominal + 0.7 * off,
  });
}

/** No limits, and what it would take. */
export const noBasis = (need: Need): Limits => ({ known: false, because: { code: 'no-basis', numbers: { need } } });

/** A value taken as entered. */
export const taken = (value: number, questions: readonly Because[] = []): Extract<Evaluated, { outcome: 'taken' }> => ({
  outcome: 'taken',
  value,
  finding: null,
  questions,
});

/** A finding in place of a number. */
export const found = (finding: string, questions: readonly Because[] = []): Evaluated => ({
  outcome: 'taken',
  value: null,
  finding,
  questions,
});

/** What cannot be worked out, and at which input. */
export const stuck = (input: string, snag: Snag): Evaluated => ({
  outcome: 'refused',
  input,
  because: { code: 'cannot-work-out', numbers: { snag } },
});

/** A question about two figures that do not fit, when `asked`. */
export const doubtWhen = (asked: boolean, doubt: Doubt, a: number, b: number): Because[] =>
  asked ? [{ code: 'does-not-fit', numbers: { doubt, a, b } }] : [];

/** Judges findings by their table: as the worst of them. */
export function judgeFindings(text: string): Judgement {
  const standings = findingsOf(text).map((finding) => finding.standing);
  const standing = worstOf(standings.length > 0 ? standings : ['unproven']);
  return { basis: 'finding', standing, limit: null, because: { code: 'finding', numbers: { found: text } } };
}

/** An entry of several choices as a list; empty when the excluding one was chosen. */
export const severalIn = (inputs: Inputs, spec: Extract<InputSpec, { type: 'several' }>): string[] =>
  String(inputs[spec.id])
    .split(',')
    .filter((part) => part !== spec.none.value && part !== '');

/** Choices named by the short words of a table. */
export const choices = (table: Readonly<Record<string, string>>): Choice[] =>
  Object.entries(table).map(([value, label]) => ({ value, label }));

/** What every kind of reading that does not wear shares. */
export const unworn = {
  wear: 'none',
  driftPrior: { meanShare: 0, sdShare: 0.01 },
} as const;
