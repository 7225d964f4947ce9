import { own } from '../quantity/own.ts';
import { airflow, delivered } from './air.ts';
import { replacement, underLoad } from './capacitors.ts';
import type { BenchInput, BenchResult, BenchSum } from './contract.ts';
import { chainSum, defrostSettingsSum } from './defrost.ts';
import { heater, ratedLoad, thermistor, threeWires } from './electrics.ts';
import { saturation, subcooling, superheat, targetSuperheat } from './refrigerant.ts';

/** The trade's arithmetic that needs no system, in the order it is most asked for. */
export const BENCH: readonly BenchSum[] = [
  underLoad,
  replacement,
  superheat,
  subcooling,
  targetSuperheat,
  saturation,
  airflow,
  heater,
  threeWires,
  ratedLoad,
  thermistor,
  delivered,
  defrostSettingsSum,
  chainSum,
];

/** What was typed, by input. */
export type BenchTyped = Readonly<Record<string, string>>;

/** What a sum comes to by what was typed so far; by input, what is wrong with it; what is still to type. */
export type BenchWorked =
  | BenchResult
  | { readonly outcome: 'refused'; readonly wrong: Readonly<Record<string, string>> }
  | { readonly outcome: 'open'; readonly missing: readonly string[] };

const NUMBER = /^[-−]?\d+(?:[.,]\d+)?$/;

const typedOf = (input: BenchInput, typed: BenchTyped): string => (own(typed, input.id) ?? input.usual ?? '').trim();

/** What is wrong with what was typed for an input; null where nothing is. */
function wrongWith(input: BenchInput, text: string): string | null {
  if (text === '') return null;
  if (input.type === 'choice') return input.choices.some(([value]) => value === text) ? null : 'Choose one of these.';
  if (input.type === 'text') return text.length > 60 ? 'At most 60 characters.' : null;
  if (!NUMBER.test(text)) return 'A number is needed here.';
  const value = Number(text.replace('−', '-').replace(',', '.'));
  return value >= input.low && value <= input.high ? null : `Between ${input.low} and ${input.high} ${input.unit}.`;
}

/**
 * Works a sum out from what was typed: a decimal comma counts as a point, what was left out counts as its usual value. What
 * cannot be is refused by input; a sum that is not wholly typed is open.
 */
export function workOut(sum: BenchSum, typed: BenchTyped): BenchWorked {
  const texts = new Map(sum.inputs.map((input) => [input.id, typedOf(input, typed)]));
  const wrong = sum.inputs.flatMap((input) => {
    const why = wrongWith(input, texts.get(input.id) ?? '');
    return why === null ? [] : [[input.id, why] as const];
  });
  if (wrong.length > 0) return { outcome: 'refused', wrong: Object.fromEntries(wrong) };
  const missing = sum.inputs.filter(
    (input) => texts.get(input.id) === '' && !(input.type === 'number' && input.optional),
  );
  if (missing.length > 0) return { outcome: 'open', missing: missing.map(({ label }) => label) };
  return sum.work({
    number: (id) => {
      const text = texts.get(id) ?? '';
      return text === '' ? NaN : Number(text.replace('−', '-').replace(',', '.'));
    },
    text: (id) => texts.get(id) ?? '',
  });
}
