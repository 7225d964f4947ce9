import { own } from '../../quantity/own.ts';
import type { Limits } from '../../verdict/limits.ts';
import type { Finding } from '../../verdict/findings.ts';
import type { Because } from '../../verdict/reasons.ts';
import type { Doubt, Need, Rule, Snag } from '../../verdict/rules.ts';
import type { Choice, Evaluated, Input, Inputs, SeveralSpec } from './entry.ts';

type Sides = Partial<Record<'nominal' | 'lower' | 'upper' | 'watchLower' | 'watchUpper', number>>;

/** Limits of the window family, in the kind's unit: either side may be missing, and spans may be left open. */
export function windowLimits(rule: Rule, sides: Sides & { open?: readonly (readonly [number, number])[] }): Limits {
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
    open: sides.open,
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

type Entered = Extract<Evaluated, { outcome: 'taken' }>;

/** A value taken as entered, with what was found beside it. */
export const taken = (
  value: number,
  questions: readonly Because[] = [],
  findings: readonly Finding[] = [],
): Entered => ({ outcome: 'taken', value, findings, questions });

/** Findings in place of a number. */
export const found = (findings: Finding | readonly Finding[], questions: readonly Because[] = []): Entered => ({
  outcome: 'taken',
  value: null,
  findings: typeof findings === 'string' ? [findings] : findings,
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

/** Asks whether ohms were read off in kΩ, which a meter changes to by itself: typed as they stand they are far too few. */
export const perhapsKilohms = (input: string, ohms: number, usual: { low: number; high: number }): Because[] => {
  const meant = Number((1000 * ohms).toPrecision(12));
  return ohms > 0 && ohms < usual.low && meant >= usual.low && meant <= usual.high
    ? [
        {
          code: 'far-from-plausible',
          numbers: { value: ohms, ...usual, unit: 'Ω', perhaps: { input, label: '', value: meant } },
        },
      ]
    : [];
};

/** Choices that had another name, which devices that were last loaded before may still send. */
const FORMER: Readonly<Record<string, string>> = { 'back-up-heat-on': 'auxiliary-heat-on' };

/**
 * The values of an input of several choices, in the order they were chosen; none for what was not entered. Devices that
 * were last loaded before lists were sent as lists send them joined by commas.
 */
export function chosenIn(entered: Input | undefined): readonly string[] {
  if (entered === undefined || entered === '') return [];
  const chosen = typeof entered === 'object' ? entered : String(entered).split(',');
  return chosen.map((value) => own(FORMER, value) ?? value);
}

/** An entry of several choices without the excluding one. */
export const severalIn = (inputs: Inputs, spec: SeveralSpec): string[] =>
  chosenIn(inputs[spec.id]).filter((part) => part !== spec.none.value);

/** Choices named by the short words of a table. */
export const choices = (table: Readonly<Record<string, string>>): Choice[] =>
  Object.entries(table).map(([value, label]) => ({ value, label }));

/** What every measured kind that does not wear shares. */
export const unworn = {
  wear: 'none',
  driftPrior: { meanShare: 0, sdShare: 0.01 },
} as const;
